package wendo.simulation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.measure.AgainstAverage;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.measure.EqualRates;
import wendo.core.measure.Rate;

/**
 * Sources that are all alike, looked at 2,000 times: how often does anything at all seem to differ? At most in 5 % of looks
 * may it, within the error of so many looks. docs/SIMULATION.md has the figures.
 */
class FalseFindingsTest {
    private static final int LOOKS = 2_000;
    private static final double LEVEL = 0.05;

    /** Three standard errors of a share of 5 % in so many looks. */
    private static final double MOST = LEVEL + 3 * Math.sqrt(LEVEL * (1 - LEVEL) / LOOKS);

    /** As many as are held against each other pair by pair, with 80 to 5,000 people, evenly by factors. */
    private static final int GROUPS = 8;

    @ParameterizedTest
    @ValueSource(doubles = {0.002, 0.005, 0.01, 0.03})
    void pairs_of_equal_rates(double rate) {
        SplittableRandom random = new SplittableRandom(20_261_129);
        int falseLooks = 0;
        for (int look = 0; look < LOOKS; look++) {
            List<Rate> rates = new ArrayList<>();
            for (int i = 0; i < GROUPS; i++) {
                int people = (int) (80 * Math.pow(5000 / 80.0, random.nextDouble()));
                rates.add(new Rate(events(people, rate, random), people));
            }
            falseLooks += findsAPair(rates) ? 1 : 0;
        }
        System.out.printf("judge pairs at a rate of %s: %.4f of looks%n", rate, falseLooks / (double) LOOKS);
        assertThat(falseLooks / (double) LOOKS).isLessThanOrEqualTo(MOST);
    }

    private static boolean findsAPair(List<Rate> rates) {
        List<Double> pValues = new ArrayList<>();
        for (int i = 0; i < rates.size(); i++) {
            for (int j = i + 1; j < rates.size(); j++) {
                pValues.add(EqualRates.pValue(rates.get(i), rates.get(j)).orElse(1));
            }
        }
        return EqualRates.holm(pValues).stream().anyMatch(p -> p < LEVEL);
    }

    /** Events of people who each have the same chance: waiting times between them are geometric. */
    private static int events(int people, double chance, SplittableRandom random) {
        int events = -1;
        double at = 0;
        while (at <= people) {
            at += Math.floor(Math.log(1 - random.nextDouble()) / Math.log1p(-chance)) + 1;
            events++;
        }
        return events;
    }

    @ParameterizedTest
    @ValueSource(ints = {5, 13, 40})
    void sources_that_cost_the_same_against_their_average(int sources) {
        SplittableRandom random = new SplittableRandom(20_261_130);
        int falseLooks = 0;
        for (int look = 0; look < LOOKS; look++) {
            List<CostPer> costs = IntStream.range(0, sources)
                    .mapToObj(i -> {
                        double expected = 1 + 99 * random.nextDouble();
                        return new CostPer(Math.round(expected * 1000), Count.of(poisson(expected, random)));
                    })
                    .toList();
            CostPer all = new CostPer(
                    costs.stream().mapToLong(CostPer::spendMinor).sum(),
                    costs.stream().map(CostPer::count).reduce(Count.of(0), Count::plus));
            falseLooks +=
                    AgainstAverage.search(costs, all).stream().anyMatch(one -> one != AgainstAverage.ABOUT) ? 1 : 0;
        }
        System.out.printf("judge average of %d sources: %.4f of looks%n", sources, falseLooks / (double) LOOKS);
        assertThat(falseLooks / (double) LOOKS).isLessThanOrEqualTo(MOST);
    }

    /** Waiting times between events are exponential. */
    private static int poisson(double expected, SplittableRandom random) {
        int events = -1;
        double at = 0;
        while (at <= expected) {
            at -= Math.log(1 - random.nextDouble());
            events++;
        }
        return events;
    }
}
