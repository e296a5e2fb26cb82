package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MonthlySpendTest {
    private static final LocalDate MAY_10 = LocalDate.of(2026, 5, 10);
    private static final MonthlySpend ENDLESS = new MonthlySpend(10_000, MAY_10, Optional.empty());

    @Test
    void a_whole_month_has_the_whole_amount_and_a_part_its_days() {
        assertThat(ENDLESS.within(Period.ofDays(LocalDate.of(2026, 6, 1), LocalDate.of(2026, 6, 30))))
                .isEqualTo(10_000);
        assertThat(ENDLESS.within(Period.ofDays(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 5, 9))))
                .isZero();
        // The 10th to the 31st are 22 of 31 days: 7,096.77.
        assertThat(ENDLESS.within(Period.ofDays(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 31))))
                .isEqualTo(7_097);
        assertThat(new MonthlySpend(10_000, MAY_10, Optional.of(LocalDate.of(2026, 7, 1)))
                        .within(Period.ofDays(LocalDate.of(2026, 6, 1), LocalDate.of(2027, 6, 1))))
                .isEqualTo(10_000);
    }

    @Test
    void whatever_days_it_is_cut_into_they_add_up() {
        Period year = Period.ofDays(LocalDate.of(2026, 5, 1), LocalDate.of(2027, 4, 30));
        long whole = ENDLESS.within(year);
        for (int length = 1; length < 60; length += 7) {
            long sum = 0;
            for (LocalDate day = year.startInclusive(); day.isBefore(year.endExclusive()); day = day.plusDays(length)) {
                LocalDate end = day.plusDays(length);
                sum += ENDLESS.within(new Period(day, end.isBefore(year.endExclusive()) ? end : year.endExclusive()));
            }
            assertThat(sum).isEqualTo(whole);
        }
        assertThat(whole).isEqualTo(11 * 10_000 + 7_097);
    }

    @Test
    void it_ends_after_it_starts() {
        assertThatThrownBy(() -> new MonthlySpend(1, MAY_10, Optional.of(MAY_10)))
                .hasMessageContaining("It ends after it starts");
        assertThatThrownBy(() -> new MonthlySpend(-1, MAY_10, Optional.empty()))
                .hasMessage("Spend must be 0 or more, but was -1");
    }
}
