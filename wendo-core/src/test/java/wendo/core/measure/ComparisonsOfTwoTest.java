package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

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

    /**
     * {@code pairwise.prop.test(c(83, 90, 129, 70), c(86, 93, 136, 82), correct = FALSE)}, an example of R's manual (Fleiss
     * 1981, page 139), with {@code p.adjust.method} "none" and "holm".
     */
    @Test
    void rates_pair_by_pair_with_holms_correction() {
        List<Rate> rates = List.of(new Rate(83, 86), new Rate(90, 93), new Rate(129, 136), new Rate(70, 82));
        List<Double> plain =
                List.of(p(rates, 0, 1), p(rates, 0, 2), p(rates, 1, 2), p(rates, 0, 3), p(rates, 1, 3), p(rates, 2, 3));
        List<Double> expected = List.of(
                0.9223200957343, 0.5615870540611, 0.48473924671198, 0.0113289604247, 0.00714096227095, 0.0161432937786);
        List<Double> adjusted = List.of(1.0, 1.0, 1.0, 0.0566448021234, 0.0428457736257, 0.0645731751145);
        for (int i = 0; i < 6; i++) {
            assertThat(plain.get(i)).isCloseTo(expected.get(i), within(1e-9));
            assertThat(EqualRates.holm(plain).get(i)).isCloseTo(adjusted.get(i), within(1e-9));
        }
    }

    private static double p(List<Rate> rates, int one, int other) {
        return EqualRates.pValue(rates.get(one), rates.get(other)).orElseThrow();
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
