package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wendo.app.compare.sql.ComparedWith;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

class ChangeTest {
    private static final Period MAY = Period.ofDays(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 28));

    private static Change change(ComparedRow now, Optional<ComparedRow> before) {
        Period april = ComparedWith.BEFORE.period(MAY).orElseThrow();
        return Change.of(
                new Change.Then(now, MAY),
                new Change.Then(before.orElseGet(now::withNothing), april),
                OutcomeKind.BOOKING,
                Rows.FIGURES);
    }

    /** R 4.2.2: poisson.test(c(40, 10), c(28, 28)) gives 1.9657 to 8.9699, and the costs the inverse: 0.1115 to 0.5087. */
    @Test
    void a_change_has_what_it_was_and_its_interval() {
        Change change = change(Rows.row("A", 1000, 40, 20_000), Optional.of(Rows.row("A", 1000, 10, 20_000)));
        assertThat(change.number()).isEqualTo("was 10: +97% to +797%");
        assertThat(change.cost()).isEqualTo("was £20.00: -89% to -49%");
        assertThat(change.rate()).startsWith("was 1.0%: +1.6");
    }

    @Test
    void what_could_be_chance_is_said_to_be() {
        Change change = change(Rows.row("A", 100, 4, 1_000), Optional.of(Rows.row("A", 90, 3, 900)));
        assertThat(change.number()).startsWith("was 3: may be the same, -");
        assertThat(change.rate()).startsWith("was 3.3%: may be the same, ");
        assertThat(change(Rows.row("A", 100, 4, 0), Optional.of(Rows.row("A", 0, 0, 0))))
                .isEqualTo(new Change("was 0: may be the same, -34% to any more", "", ""));
        assertThat(change(Rows.row("A", 100, 4, 0), Optional.empty()).number())
                .isEqualTo("was 0: may be the same, -34% to any more");
    }

    @Test
    void the_same_days_last_year_are_as_many_but_for_a_leap_day() {
        assertThat(ComparedWith.YEAR.period(MAY))
                .contains(Period.ofDays(LocalDate.of(2025, 5, 1), LocalDate.of(2025, 5, 28)));
        Period leap = Period.ofDays(LocalDate.of(2028, 2, 1), LocalDate.of(2028, 2, 29));
        assertThat(ComparedWith.YEAR.period(leap).orElseThrow().days()).isEqualTo(28);
        assertThat(ComparedWith.NOTHING.period(leap)).isEmpty();
    }
}
