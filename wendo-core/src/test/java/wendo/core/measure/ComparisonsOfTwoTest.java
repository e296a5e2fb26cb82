package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against R 4.2.2, package stats; each check names the call. */
class ComparisonsOfTwoTest {

    /** {@code poisson.test(c(11, 6+8+7), c(800, 1083+1050+878))}, an example of R's own manual. */
    @Test
    void a_ratio_of_two_counts() {
        CountRatio ratio = CountRatio.of(Count.of(11), 800, Count.of(21), 3011).orElseThrow();
        assertThat(ratio.value()).isCloseTo(1.97148809524, within(1e-9));
        assertThat(ratio.low()).isCloseTo(0.858426403392, within(1e-9));
        assertThat(ratio.high()).isCloseTo(4.277265943654, within(1e-9));
        assertThat(ratio.isClear()).isFalse();
    }

    /** {@code poisson.test(c(5, 0), c(1, 1))} and {@code poisson.test(c(0, 5), c(1, 2))}. */
    @Test
    void a_ratio_with_none_on_one_side() {
        CountRatio endless = CountRatio.of(Count.of(5), 1, Count.of(0), 1).orElseThrow();
        assertThat(endless.low()).isCloseTo(0.916355857315, within(1e-9));
        assertThat(endless.high()).isInfinite();
        CountRatio none = CountRatio.of(Count.of(0), 1, Count.of(5), 2).orElseThrow();
        assertThat(none.value()).isZero();
        assertThat(none.high()).isCloseTo(2.18255821037, within(1e-9));
        assertThat(CountRatio.of(Count.of(0), 1, Count.of(0), 1)).isEmpty();
        assertThat(CountRatio.of(Count.of(3), 0, Count.of(1), 1)).isEmpty();
    }

    @Test
    void a_ratio_of_costs_is_that_of_the_counts_turned_round() {
        CountRatio costs = CountRatio.ofCosts(new CostPer(3011, Count.of(21)), new CostPer(800, Count.of(11)))
                .orElseThrow();
        assertThat(costs.value()).isCloseTo(1.97148809524, within(1e-9));
        assertThat(costs.high()).isCloseTo(4.277265943654, within(1e-9));
    }

    /** Halves weigh half: 20 halves tell as much as 10 whole things. */
    @Test
    void shares_count_as_their_effective_number() {
        CountRatio whole = CountRatio.of(Count.of(20), 1, Count.of(10), 1).orElseThrow();
        CountRatio halves =
                CountRatio.of(new Count(10, 5), 1, new Count(5, 2.5), 1).orElseThrow();
        assertThat(halves.low()).isCloseTo(whole.low(), within(1e-12));
        assertThat(halves.high()).isCloseTo(whole.high(), within(1e-12));
    }

    /** {@code fisher.test(matrix(c(a, n - a, b, m - b), 2))}; 2 of 17 and 10 of 13 are Fisher's convictions of twins. */
    @ParameterizedTest
    @CsvSource({
        "81, 263, 15, 148, 9.12618926238e-07",
        "3, 4, 1, 4, 0.485714285714",
        "2, 17, 10, 13, 0.000536724119143",
        "1, 80, 0, 5000, 0.0157480314961",
        "5, 1000, 15, 1000, 0.0403942054048",
        "0, 500, 6, 400, 0.00754738877408",
        "12, 5000, 3, 800, 0.450528454125"
    })
    void rates_that_could_be_the_same(long a, long n, long b, long m, double expected) {
        assertThat(EqualRates.pValue(new Rate(a, n), new Rate(b, m)).orElseThrow())
                .isCloseTo(expected, withinPercentage(1e-7));
        assertThat(EqualRates.pValue(new Rate(b, m), new Rate(a, n)).orElseThrow())
                .isCloseTo(expected, withinPercentage(1e-7));
    }

    @Test
    void shared_events_are_taken_for_the_whole_ones_that_say_less() {
        double below = EqualRates.pValue(new Rate(5, 1000), new Rate(15, 1000)).orElseThrow();
        double above = EqualRates.pValue(new Rate(6, 1000), new Rate(15, 1000)).orElseThrow();
        assertThat(EqualRates.pValue(new Rate(5.4, 1000), new Rate(15, 1000))).hasValue(Math.max(below, above));
    }

    /** {@code min(1, 2 * min(pbinom(a, a + b, s / (s + t)), 1 - pbinom(a - 1, a + b, s / (s + t))))}. */
    @ParameterizedTest
    @CsvSource({
        "11, 800, 21, 3011, 0.112017319575",
        "0, 1, 5, 2, 0.263374485597",
        "5, 1, 0, 1, 0.0625",
        "3, 3000, 6, 18000, 0.251857089256"
    })
    void counts_that_could_be_the_same_for_their_exposure(long a, double s, long b, double t, double expected) {
        assertThat(CountRatio.pValue(Count.of(a), s, Count.of(b), t).orElseThrow())
                .isCloseTo(expected, within(1e-11));
        assertThat(CountRatio.pValue(Count.of(b), t, Count.of(a), s).orElseThrow())
                .isCloseTo(expected, within(1e-11));
    }

    /** Ten bookings for the price of two elsewhere stand out; with one more booking each nothing does. */
    @Test
    void against_the_average_only_what_is_clear_after_holms_correction_is_named() {
        List<CostPer> costs = List.of(
                new CostPer(10_000, Count.of(100)),
                new CostPer(10_000, Count.of(20)),
                new CostPer(10_000, Count.of(48)));
        CostPer all = new CostPer(30_000, Count.of(168));
        assertThat(AgainstAverage.search(costs, all))
                .containsExactly(AgainstAverage.BELOW, AgainstAverage.ABOVE, AgainstAverage.ABOUT);
        assertThat(AgainstAverage.search(List.of(costs.get(0)), costs.get(0)))
                .as("alone there is nothing to be held against")
                .containsExactly(AgainstAverage.ABOUT);
        assertThat(AgainstAverage.search(List.of(), all)).isEmpty();
    }

    /** {@code p.adjust(c(0.01, 0.04, 0.03, 0.005), "holm")}. */
    @Test
    void a_later_p_value_is_never_made_less_than_an_earlier_one() {
        assertThat(EqualRates.holm(List.of(0.01, 0.04, 0.03, 0.005))).containsExactly(0.03, 0.06, 0.06, 0.02);
        assertThat(EqualRates.holm(List.of())).isEmpty();
        assertThat(EqualRates.pValue(new Rate(0, 5), new Rate(0, 9))).isEmpty();
        assertThat(EqualRates.pValue(new Rate(0, 0), new Rate(1, 9))).isEmpty();
    }

    /** {@code power.prop.test(p1, p2, power = .80)}: 57.673 and 3825.150. */
    @Test
    void people_that_a_split_test_needs() {
        assertThat(SampleSize.perWay(0.50, 0.75)).isEqualTo(58);
        assertThat(SampleSize.perWay(0.02, 0.03)).isEqualTo(3826);
        assertThat(SampleSize.perWay(0.03, 0.02)).isEqualTo(3826);
        assertThatThrownBy(() -> SampleSize.perWay(0.1, 0.1)).hasMessageContaining("Two different rates");
    }

    /** Newcombe 1998, 56/70 − 48/80: 0.0524 to 0.3339, here of 70 people who were mailed. */
    @Test
    void what_a_mailing_brought_beyond_those_held_out() {
        HeldOut.Extra extra =
                new HeldOut(new Rate(56, 70), new Rate(48, 80)).extra().orElseThrow();
        assertThat(extra.value()).isCloseTo(14, within(1e-9));
        assertThat(extra.low()).isCloseTo(0.0524 * 70, within(0.004));
        assertThat(extra.high()).isCloseTo(0.3339 * 70, within(0.004));
        assertThat(extra.isClear()).isTrue();
        assertThat(new HeldOut(new Rate(5, 70), new Rate(0, 0)).extra()).isEmpty();
    }
}
