package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

/**
 * Against the package boot of R 4.2.2: {@code boot.ci(boot(aircondit$hours, function(d, i) sum(d[i]), R = 200000), type =
 * "bca")} gives 684 to 2710, and with 188 zeros put before them (R = 100000) 550 to 3293. The dataset is that of F.
 * Proschan, Technometrics 5 (1963). 2,000 resamples may differ by some hundredths.
 */
class TakingsTest {
    private static final List<Long> HOURS = List.of(3L, 5L, 7L, 18L, 43L, 85L, 91L, 98L, 100L, 130L, 230L, 487L);

    @Test
    void the_interval_is_that_of_the_reference() {
        Interval own = new Takings(12, HOURS).interval().orElseThrow();
        assertThat(own.low()).isCloseTo(684, Percentage.withPercentage(5));
        assertThat(own.high()).isCloseTo(2710, Percentage.withPercentage(5));
    }

    @Test
    void people_who_paid_nothing_belong_to_it() {
        Interval own = new Takings(200, HOURS).interval().orElseThrow();
        assertThat(own.low()).isCloseTo(550, Percentage.withPercentage(6));
        assertThat(own.high()).isCloseTo(3293, Percentage.withPercentage(6));
    }

    @Test
    void it_is_the_same_each_time_and_holds_the_sum() {
        Takings takings = new Takings(5_000, HOURS);
        assertThat(takings.interval()).isEqualTo(new Takings(5_000, HOURS).interval());
        assertThat(takings.sumMinor()).isEqualTo(1297);
        assertThat(takings.interval().orElseThrow().low()).isLessThan(1297);
        assertThat(takings.interval().orElseThrow().high()).isGreaterThan(1297);
    }

    @Test
    void under_five_payers_there_is_none() {
        assertThat(new Takings(400, HOURS.subList(0, 4)).interval()).isEmpty();
        assertThat(new Takings(400, HOURS.subList(0, 5)).interval()).isPresent();
        assertThat(new Takings(5, Collections.nCopies(5, 10L)).interval()).isEmpty();
        assertThatThrownBy(() -> new Takings(3, HOURS)).hasMessage("Payers are people, but 12 of 3 paid");
    }

    @Test
    void the_acceleration_of_equal_payers_is_small_so_the_interval_is_nearly_that_of_the_count() {
        Interval interval =
                new Takings(10_000, Collections.nCopies(100, 1L)).interval().orElseThrow();
        assertThat(interval.low()).isCloseTo(Count.of(100).interval().low(), within(3.0));
        assertThat(interval.high()).isCloseTo(Count.of(100).interval().high(), within(4.0));
    }
}
