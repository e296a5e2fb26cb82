package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JudgementTest {

    private static Judgement judged(long spend, long outcomes, double ceiling) {
        return new Judgement(new CostPer(spend, Count.of(outcomes)), ceiling);
    }

    /** Garwood's bounds of 10 are 4.795 and 18.390 (the table of 1936), so 1000 ÷ 10 lies within 54.38 and 208.54. */
    @ParameterizedTest
    @CsvSource({"209, EARNING", "208, TOO_EARLY", "100, TOO_EARLY", "55, TOO_EARLY", "54, LOSING"})
    void the_whole_interval_has_to_lie_on_one_side_of_the_ceiling(double ceiling, Verdict verdict) {
        assertThat(judged(1000, 10, ceiling).verdict()).isEqualTo(verdict);
    }

    /** None is at most 3.689 (Garwood 1936), so 1000 spent for nothing is more than 271 each. */
    @Test
    void without_an_outcome_a_source_can_only_lose() {
        assertThat(judged(1000, 0, 271).verdict()).isEqualTo(Verdict.LOSING);
        assertThat(judged(1000, 0, 272).verdict()).isEqualTo(Verdict.TOO_EARLY);
        assertThat(judged(1000, 0, 542).settledAtTimes().orElseThrow())
                .isBetween(542 * 3.688 / 1000, 542 * 3.690 / 1000);
        assertThat(judged(0, 10, 50).verdict()).isEqualTo(Verdict.TOO_EARLY);
    }

    @Test
    void what_would_settle_it_settles_it_and_not_a_penny_less() {
        for (long outcomes = 10; outcomes < 70; outcomes += 3) {
            for (double share : new double[] {0.3, 0.5, 0.7, 0.85, 1.2, 1.5, 2, 4}) {
                double ceiling = share * 100_000.0 / outcomes;
                Judgement judgement = judged(100_000, outcomes, ceiling);
                double times = judgement.settledAtTimes().orElseThrow();
                CostPer then = judgement.cost().times(times * 1.0001);
                assertThat(new Judgement(then, ceiling).verdict())
                        .isEqualTo(share > 1 ? Verdict.EARNING : Verdict.LOSING);
                if (times > 1) {
                    CostPer before = judgement.cost().times(times * 0.999);
                    assertThat(new Judgement(before, ceiling).verdict()).isEqualTo(Verdict.TOO_EARLY);
                    assertThat(judgement.spendToSettleMinor().orElseThrow())
                            .as("to two digits, and enough")
                            .isBetween((long) ((times - 1) * 100_000), (long) Math.ceil((times - 1) * 110_000))
                            .matches(minor -> minor < 100
                                    || String.valueOf(minor).substring(2).matches("0*"));
                    assertThat(judgement.peopleToSettle(500).orElseThrow())
                            .isBetween((long) ((times - 1) * 500), (long) Math.ceil((times - 1) * 550) + 1);
                }
            }
        }
    }

    /** 60 bookings at 95 % of the ceiling would settle at some 25 times the spend; that is far, but not never. */
    @Test
    void what_would_take_long_is_said_and_only_what_is_within_a_tenth_is_about_the_ceiling() {
        Judgement far = judged(95 * 60, 60, 100);
        assertThat(far.settledAtTimes().orElseThrow()).isBetween(20.0, 30.0);
        assertThat(far.isAboutCeiling()).isFalse();
        Judgement near = judged(98 * 1000, 1000, 100);
        assertThat(near.verdict()).isEqualTo(Verdict.TOO_EARLY);
        assertThat(near.isAboutCeiling()).isTrue();
        assertThat(judged(85 * 1000, 1000, 100).isAboutCeiling()).isFalse();
    }

    @Test
    void what_costs_just_what_it_may_is_never_settled() {
        assertThat(judged(1000, 10, 100).settledAtTimes()).isEqualTo(OptionalDouble.empty());
        assertThat(judged(1000, 10, 100).spendToSettleMinor()).isEmpty();
        assertThatThrownBy(() -> judged(1000, 10, Double.NaN)).hasMessage("A ceiling must be more than 0, but was NaN");
    }
}
