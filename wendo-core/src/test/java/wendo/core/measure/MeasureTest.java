package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.GammaDistribution;
import org.hipparchus.stat.interval.BinomialProportion;
import org.hipparchus.stat.interval.ConfidenceInterval;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class MeasureTest {

    /** R. G. Newcombe, Statistics in Medicine 17 (1998) 857–872, table I, method 3. */
    @ParameterizedTest
    @CsvSource({"81,263,0.2553,0.3662", "15,148,0.0624,0.1605", "0,20,0,0.1611", "1,29,0.0061,0.1718"})
    void wilson_gives_the_published_bounds(long part, long whole, double low, double high) {
        Interval interval = new Rate(part, whole).interval().orElseThrow();
        assertThat(interval.low()).isCloseTo(low, within(0.00005));
        assertThat(interval.high()).isCloseTo(high, within(0.00005));
    }

    static IntStream wholes() {
        return IntStream.rangeClosed(1, 120);
    }

    /** Second implementation: Hipparchus, BinomialProportion.getWilsonScoreInterval. */
    @ParameterizedTest
    @MethodSource("wholes")
    void wilson_agrees_with_a_reference_library_and_stays_within_0_and_1(int whole) {
        for (int part = 0; part <= whole; part++) {
            Interval ours = new Rate(part, whole).interval().orElseThrow();
            ConfidenceInterval theirs = BinomialProportion.getWilsonScoreInterval(whole, (double) part / whole, 0.95);
            assertThat(ours.low())
                    .isCloseTo(theirs.getLowerBound(), within(1e-9))
                    .isBetween(0.0, (double) part / whole);
            assertThat(ours.high())
                    .isCloseTo(theirs.getUpperBound(), within(1e-9))
                    .isBetween((double) part / whole, 1.0);
        }
    }

    @Test
    void without_people_there_is_no_rate_and_no_interval() {
        assertThat(new Rate(0, 0).value()).isEmpty();
        assertThat(new Rate(0, 0).interval()).isEmpty();
        assertThat(new Rate(3, 2).value()).hasValue(1.5);
        assertThat(new Rate(3, 2).interval()).isEmpty();
        assertThatThrownBy(() -> new Rate(-1, 2)).hasMessage("Counts must be 0 or more, but were -1.0 of 2");
    }

    /** F. Garwood, Biometrika 28 (1936) 437–442, the values for 0 and 10. */
    @ParameterizedTest
    @CsvSource({"0,0,3.689", "10,4.795,18.390"})
    void garwood_gives_the_published_bounds(long count, double low, double high) {
        Interval interval = Count.of(count).interval();
        assertThat(interval.low()).isCloseTo(low, within(0.0005));
        assertThat(interval.high()).isCloseTo(high, within(0.0005));
    }

    /** Second implementation: quantiles of Hipparchus' gamma distribution, whose shapes n and n + 1 give the same bounds. */
    @ParameterizedTest
    @MethodSource("wholes")
    void garwood_agrees_with_a_reference_library(int count) {
        Interval ours = Count.of(count).interval();
        assertThat(ours.low())
                .isCloseTo(new GammaDistribution(count, 1).inverseCumulativeProbability(0.025), within(1e-6));
        assertThat(ours.high())
                .isCloseTo(new GammaDistribution(count + 1, 1).inverseCumulativeProbability(0.975), within(1e-6));
        assertThat(ours.low()).isLessThan(count);
        assertThat(ours.high()).isGreaterThan(count);
    }

    /** Newcombe 1998, table II, method 10. */
    @ParameterizedTest
    @CsvSource({
        "56,70,48,80,0.0524,0.3339",
        "9,10,3,10,0.1705,0.8090",
        "10,10,0,20,0.6791,1",
        "6,7,2,7,0.0582,0.8062",
        "5,56,0,29,-0.0381,0.1926",
        "0,10,0,20,-0.1611,0.2775",
        "10,10,0,10,0.6075,1"
    })
    void the_difference_of_two_rates_has_the_published_bounds(long a, long m, long b, long n, double low, double high) {
        RateDifference difference =
                RateDifference.of(new Rate(a, m), new Rate(b, n)).orElseThrow();
        assertThat(difference.low()).isCloseTo(low, within(0.00006));
        assertThat(difference.high()).isCloseTo(high, within(0.00006));
        assertThat(difference.isClear()).isEqualTo(low > 0);
        RateDifference turned =
                RateDifference.of(new Rate(b, n), new Rate(a, m)).orElseThrow();
        assertThat(turned.low()).isCloseTo(-high, within(0.00006));
        assertThat(turned.value()).isEqualTo(-difference.value());
    }

    @Test
    void without_a_rate_there_is_no_difference() {
        assertThat(RateDifference.of(new Rate(0, 0), new Rate(1, 2))).isEmpty();
        assertThatThrownBy(() -> new RateDifference(0, 0.1, -0.1)).hasMessageContaining("0.1 and -0.1");
    }

    /** Bohm and Zech 2014: 20 halves are 10 outcomes that vary as 20 events do, each of half the size. */
    @Test
    void shares_vary_less_than_whole_things() {
        Count halves = new Count(10, 20 * 0.25);
        Interval whole = Count.of(20).interval();
        assertThat(halves.interval().low()).isCloseTo(whole.low() / 2, within(1e-12));
        assertThat(halves.interval().high()).isCloseTo(whole.high() / 2, within(1e-12));
        assertThat(new Count(0, 0).interval().high()).isCloseTo(3.689, within(0.0005));
        assertThat(Count.of(3).plus(halves)).isEqualTo(new Count(13, 8));
        assertThatThrownBy(() -> new Count(Double.NaN, 1)).hasMessage("Count must be 0 or more, but was NaN");
    }

    @Test
    void a_cost_is_spend_by_the_bounds_of_the_count() {
        CostPer cost = new CostPer(10_000, Count.of(10));
        assertThat(cost.valueMinor()).hasValue(1_000);
        assertThat(cost.intervalMinor().orElseThrow().low()).isCloseTo(10_000 / 18.390, within(0.05));
        assertThat(cost.intervalMinor().orElseThrow().high()).isCloseTo(10_000 / 4.795, within(0.3));
    }

    @Test
    void without_an_outcome_a_cost_has_a_lower_bound_only_and_without_spend_none() {
        CostPer none = new CostPer(10_000, Count.of(0));
        assertThat(none.valueMinor()).isEmpty();
        assertThat(none.intervalMinor().orElseThrow().low()).isCloseTo(10_000 / 3.689, within(0.5));
        assertThat(none.intervalMinor().orElseThrow().high()).isInfinite();
        assertThat(new CostPer(0, Count.of(5)).valueMinor()).isEmpty();
        assertThat(new CostPer(0, Count.of(5)).intervalMinor()).isEmpty();
    }

    @Test
    void an_interval_has_its_bounds_in_order() {
        assertThatThrownBy(() -> new Interval(2, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Interval(Double.NaN, 1)).hasMessageContaining("NaN");
        assertThat(new Interval(1, 2).isBelow(2)).isFalse();
        assertThat(new Interval(1, 2).isBelow(2.1)).isTrue();
        assertThat(new Interval(1, 2).isAbove(1)).isFalse();
        assertThat(new Interval(1, 2).isAbove(0.9)).isTrue();
    }

    @ParameterizedTest
    @MethodSource("wholes")
    void a_lump_is_spread_to_the_penny_and_its_parts_add_up(int days) {
        LocalDate first = LocalDate.of(2026, 3, 1);
        for (long amount : new long[] {0, 1, days - 1, days, 99_999, 100_000_000_007L}) {
            LumpSpend lump = new LumpSpend(amount, new Period(first, first.plusDays(days)));
            long sum = 0;
            for (int from = -1; from <= days; from++) {
                sum += lump.within(Period.ofDays(first.plusDays(from), first.plusDays(from)));
                for (int to = from; to <= days; to += 7) {
                    double covered = Math.max(0, Math.min(days, to + 1) - Math.max(0, from));
                    assertThat(lump.within(Period.ofDays(first.plusDays(from), first.plusDays(to)))
                                    - amount * covered / days)
                            .as("%d for %d days, %d to %d", amount, days, from, to)
                            .isStrictlyBetween(-1.0, 1.0);
                }
            }
            assertThat(sum).isEqualTo(amount);
            assertThat(lump.within(Period.ofDays(first.minusYears(1), first.plusYears(1))))
                    .isEqualTo(amount);
        }
    }

    /** Clocks of Europe/London go forward on 29 March and back on 25 October 2026 (IANA time zone data). */
    @Test
    void a_period_is_whole_days_of_the_business_also_when_clocks_change() {
        ZoneId london = ZoneId.of("Europe/London");
        Period spring = Period.ofDays(LocalDate.of(2026, 3, 29), LocalDate.of(2026, 3, 29));
        Period autumn = Period.ofDays(LocalDate.of(2026, 10, 25), LocalDate.of(2026, 10, 25));
        assertThat(Duration.between(spring.startsAt(london), spring.endsBefore(london)))
                .isEqualTo(Duration.ofHours(23));
        assertThat(Duration.between(autumn.startsAt(london), autumn.endsBefore(london)))
                .isEqualTo(Duration.ofHours(25));
        assertThat(spring.days()).isEqualTo(1);
        assertThatThrownBy(() -> new Period(LocalDate.EPOCH, LocalDate.EPOCH))
                .hasMessageContaining("ends after it starts");
    }
}
