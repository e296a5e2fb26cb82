package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The tolerance of 15 % is common practice; the rest is arithmetic, by hand. */
class CrossCheckTest {
    private static CrossCheck of(long ours, long theirs, CrossCheck.Cause... causes) {
        return new CrossCheck(ours, theirs, List.of(causes));
    }

    @ParameterizedTest
    @CsvSource({
        "100, 115, false",
        "100, 116, true",
        "100, 85, false",
        "100, 84, true",
        "0, 0, false",
        "0, 1, true",
        "7, 8, false",
        "6, 7, true"
    })
    void a_difference_of_more_than_the_tolerance_is_beyond_it(long ours, long theirs, boolean isBeyond) {
        assertThat(of(ours, theirs).isBeyond(CrossCheck.USUAL_TOLERANCE_PERCENT))
                .isEqualTo(isBeyond);
    }

    @Test
    void causes_say_which_counts_they_can_explain() {
        CrossCheck.Cause robots = new CrossCheck.Cause(CrossCheck.Reason.ROBOTS, 12);
        CrossCheck.Cause zone = new CrossCheck.Cause(CrossCheck.Reason.TIME_ZONE, -2);
        CrossCheck.Cause lost = new CrossCheck.Cause(CrossCheck.Reason.LOST, -7);
        CrossCheck check = of(100, 120, robots, zone, lost);
        assertThat(check.leastExplained()).isEqualTo(91);
        assertThat(check.mostExplained()).isEqualTo(112);
        assertThat(check.unexplained()).isEqualTo(8);
        assertThat(of(100, 91, robots, zone, lost).unexplained()).isZero();
        assertThat(of(100, 112, robots, zone, lost).unexplained()).isZero();
        assertThat(of(100, 90, robots, zone, lost).unexplained()).isEqualTo(-1);
    }

    @Test
    void a_ratio_to_none_is_none() {
        assertThat(of(40, 50).ratio()).hasValue(1.25);
        assertThat(of(40, 50).difference()).isEqualTo(10);
        assertThat(of(0, 50).ratio()).isEmpty();
        assertThatThrownBy(() -> of(1, -1)).hasMessage("Counts must be 0 or more, but were 1 and -1");
    }
}
