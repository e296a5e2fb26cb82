package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Against SciPy 1.17.1: {@code scipy.stats.bootstrap((a, b), difference of means, n_resamples=200000, method="BCa")}, a
 * being 200 numbers of which the twelve below are not 0, b 210 with seven. 2,000 resamples may differ by some tenths.
 */
class TakingsDifferenceTest {
    private static final Takings A =
            new Takings(200, List.of(120L, 250L, 90L, 400L, 310L, 75L, 220L, 180L, 640L, 150L, 130L, 95L));
    private static final Takings B = new Takings(210, List.of(80L, 110L, 60L, 150L, 95L, 300L, 70L));

    @Test
    void the_interval_is_that_of_the_reference() {
        TakingsDifference difference = TakingsDifference.of(A, B, 1).orElseThrow();
        assertThat(difference.value()).isCloseTo(9.18095, within(0.00001));
        assertThat(difference.low()).isCloseTo(1.543, within(0.6));
        assertThat(difference.high()).isCloseTo(22.063, within(0.9));
        assertThat(difference.isClearlyMore()).isTrue();
    }

    @Test
    void of_two_comparisons_each_is_at_97_5_per_cent() {
        TakingsDifference difference = TakingsDifference.of(A, B, 2).orElseThrow();
        assertThat(difference.low()).isCloseTo(0.657, within(0.6));
        assertThat(difference.high()).isCloseTo(24.463, within(1.2));
    }

    @Test
    void turned_round_it_has_the_other_sign_and_nothing_is_clear_of_itself() {
        TakingsDifference turned = TakingsDifference.of(B, A, 1).orElseThrow();
        assertThat(turned.high()).isCloseTo(-1.543, within(0.6));
        assertThat(turned.isClearlyMore()).isFalse();
        assertThat(TakingsDifference.of(A, A, 1).orElseThrow().isClearlyMore()).isFalse();
    }

    @Test
    void under_five_payers_there_is_none() {
        Takings four = new Takings(100, List.of(1L, 2L, 3L, 4L));
        assertThat(TakingsDifference.of(A, four, 1)).isEmpty();
        assertThat(TakingsDifference.of(four, A, 1)).isEmpty();
        assertThatThrownBy(() -> TakingsDifference.of(A, B, 0)).hasMessage("Comparisons must be 1 or more, but were 0");
    }

    /** Cohen (1988), table 2.4.1: a fifth of a standard deviation is found by 393 on each side; from memory. */
    @Test
    void people_needed_for_a_difference_of_means() {
        assertThat(SampleSize.perWayOfMeans(5, 1)).isEqualTo(393);
        assertThatThrownBy(() -> SampleSize.perWayOfMeans(0, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThat(new Takings(4, List.of(6L, 2L)).deviationMinor()).isCloseTo(Math.sqrt(6), within(1e-9));
    }
}
