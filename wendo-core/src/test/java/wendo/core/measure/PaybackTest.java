package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Common practice; worked by hand. */
class PaybackTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 28);
    private static final SortedMap<LocalDate, Long> REVENUE = new TreeMap<>(
            Map.of(FIRST.minusDays(1), 90_000L, FIRST, 5_000L, FIRST.plusDays(9), 15_000L, FIRST.plusDays(30), 4_000L));

    @Test
    void it_is_the_day_on_which_the_margin_reaches_the_spend() {
        assertThat(Payback.of(8_000, 40, FIRST, REVENUE)).hasValue(new Payback(FIRST.plusDays(9), 10));
        assertThat(Payback.of(8_001, 40, FIRST, REVENUE)).hasValue(new Payback(FIRST.plusDays(30), 31));
        assertThat(Payback.of(2_000, 40, FIRST, REVENUE)).hasValue(new Payback(FIRST, 1));
    }

    @Test
    void what_came_before_the_spend_does_not_pay_for_it() {
        assertThat(Payback.of(9_600, 40, FIRST, REVENUE)).isPresent();
        assertThat(Payback.of(9_601, 40, FIRST, REVENUE)).isEmpty();
    }

    @Test
    void a_refund_can_take_it_back() {
        SortedMap<LocalDate, Long> refunded = new TreeMap<>(REVENUE);
        refunded.put(FIRST.plusDays(12), -6_000L);
        assertThat(Payback.of(7_000, 40, FIRST, refunded))
                .as("covered on the 10th day, lost on the 13th, covered again on the 31st")
                .hasValue(new Payback(FIRST.plusDays(30), 31));
        assertThat(Payback.of(8_000, 40, FIRST, refunded)).isEmpty();
    }

    @Test
    void without_spend_or_margin_it_cannot_be_asked() {
        assertThatThrownBy(() -> Payback.of(0, 40, FIRST, REVENUE))
                .hasMessage("Spend must be more than 0 and the margin 1 to 100 %, but were 0 and 40");
        assertThatThrownBy(() -> Payback.of(1, 101, FIRST, REVENUE)).isInstanceOf(IllegalArgumentException.class);
    }
}
