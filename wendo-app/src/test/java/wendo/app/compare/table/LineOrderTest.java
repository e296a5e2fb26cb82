package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareOrder;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.core.outcomes.OutcomeKind;

class LineOrderTest {
    private static final Targets.All LIMIT =
            new Targets.All(new Target(Map.of(OutcomeKind.BOOKING, 4_000L), OptionalInt.empty()), Map.of());

    private final CompareTable table = CompareTable.of(
                    Rows.comparison(
                            LIMIT,
                            Rows.row("Unpaid", 3_000, 40, 0),
                            Rows.row("Dear", 900, 20, 400_000),
                            Rows.row("Nobody came", 0, 0, 0),
                            Rows.row("Earning", 1_000, 100, 100_000),
                            Rows.row("Open", 50, 2, 9_000),
                            Rows.row("Barren", 700, 0, 5_000)),
                    OutcomeKind.BOOKING,
                    row -> Optional.empty(),
                    Rows.FIGURES)
            .folded();

    private List<String> names(String sort) {
        return table.sorted(CompareOrder.find(sort).orElseThrow(), OutcomeKind.BOOKING).lines().stream()
                .map(line -> line.row().name())
                .toList();
    }

    @Test
    void what_earns_comes_first_then_what_loses_then_what_is_open_each_by_its_cost() {
        assertThat(names("verdict")).containsExactly("Earning", "Dear", "Open", "Barren", "Unpaid");
    }

    @Test
    void any_figure_sorts_and_what_is_not_known_stays_last_both_ways() {
        assertThat(names("people")).containsExactly("Unpaid", "Earning", "Dear", "Barren", "Open");
        assertThat(names("-people")).containsExactly("Open", "Barren", "Dear", "Earning", "Unpaid");
        assertThat(names("spend")).containsExactly("Dear", "Earning", "Open", "Barren", "Unpaid");
        assertThat(names("-spend")).containsExactly("Barren", "Open", "Earning", "Dear", "Unpaid");
        assertThat(names("cost")).containsExactly("Earning", "Open", "Dear", "Barren", "Unpaid");
        assertThat(names("name")).containsExactly("Barren", "Dear", "Earning", "Open", "Unpaid");
    }

    @Test
    void groups_with_neither_visits_nor_spend_nor_outcomes_are_one_line() {
        assertThat(table.empty()).containsExactly("Nobody came");
    }

    @Test
    void a_heading_sorts_its_column_and_pressed_again_the_other_way_round() {
        CompareChoice usual = CompareChoice.usual();
        assertThat(usual.query()).doesNotContain("sort");
        assertThat(usual.pressed("PEOPLE").query()).endsWith("&sort=people");
        assertThat(usual.pressed("PEOPLE").pressed("PEOPLE").query()).endsWith("&sort=-people");
        assertThat(usual.pressed("PEOPLE").order().direction("PEOPLE")).isEqualTo("descending");
        assertThat(usual.pressed("COST").order().direction("COST")).isEqualTo("ascending");
        assertThat(usual.pressed("COST").order().direction("PEOPLE")).isEqualTo("none");
        assertThat(CompareOrder.find("nonsense")).isEmpty();
    }
}
