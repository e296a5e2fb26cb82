package wendo.app.compare.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Rows;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.core.outcomes.OutcomeKind;

class CostPictureTest {
    private static ComparedRow source(String name, long bookings, long spendMinor) {
        return Rows.row(name, 1000, bookings, spendMinor);
    }

    private static CostPicture picture(Targets.All targets, ComparedRow... rows) {
        return CostPicture.of(Rows.comparison(targets, rows), OutcomeKind.BOOKING, Rows.FIGURES);
    }

    private static Targets.All limit(long minor) {
        return new Targets.All(new Target(Map.of(OutcomeKind.BOOKING, minor), OptionalInt.empty()), Map.of());
    }

    @Test
    void each_source_is_a_dot_among_those_of_its_verdict_the_cheapest_first() {
        CostPicture picture = picture(
                limit(4_000),
                source("Dear", 20, 400_000),
                source("Cheap", 100, 100_000),
                source("Cheaper", 100, 90_000),
                source("Unclear", 2, 9_000),
                source("Without spend", 5, 0));
        assertThat(picture.groups())
                .extracting(CostPicture.Group::label)
                .containsExactly("Earning", "Losing", "Need more data");
        assertThat(picture.groups().get(0).dots())
                .extracting(CostPicture.Dot::name, CostPicture.Dot::cost)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("Cheaper", "£9.00"),
                        org.assertj.core.groups.Tuple.tuple("Cheap", "£10.00"));
    }

    /** On a logarithmic line, costs that differ by the same factor lie equally far apart. */
    @Test
    void dots_limit_and_round_costs_lie_on_one_logarithmic_line() {
        CostPicture picture = picture(
                limit(4_000), source("One", 100, 100_000), source("Two", 100, 200_000), source("Four", 100, 400_000));
        double one = place(picture, "One");
        double two = place(picture, "Two");
        double four = place(picture, "Four");
        assertThat(two - one).isCloseTo(four - two, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(picture.limit()).hasValueSatisfying(limit -> {
            assertThat(limit.label()).isEqualTo("limit £40.00");
            assertThat(limit.place()).isEqualTo(four);
        });
        assertThat(picture.ticks()).anySatisfy(tick -> {
            assertThat(tick.label()).isEqualTo("£20");
            assertThat(tick.place()).isEqualTo(two);
        });
    }

    private static double place(CostPicture picture, String name) {
        return picture.groups().stream()
                .flatMap(group -> group.dots().stream())
                .filter(dot -> dot.name().equals(name))
                .findFirst()
                .flatMap(CostPicture.Dot::plot)
                .flatMap(plot -> plot.dot())
                .orElseThrow();
    }

    @Test
    void limits_that_differ_have_no_common_name_and_without_spend_there_is_no_picture() {
        Targets.All differ = new Targets.All(
                new Target(Map.of(OutcomeKind.BOOKING, 4_000L), OptionalInt.empty()),
                Map.of(
                        new java.util.UUID(0, "Own".hashCode()),
                        new Target(Map.of(OutcomeKind.BOOKING, 9_000L), OptionalInt.empty())));
        assertThat(picture(differ, source("Own", 100, 100_000), source("Other", 100, 100_000))
                        .limit())
                .isEmpty();
        assertThat(picture(limit(4_000), source("Free", 5, 0)).isEmpty()).isTrue();
    }
}
