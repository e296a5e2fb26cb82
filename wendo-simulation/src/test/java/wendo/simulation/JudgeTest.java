package wendo.simulation;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wendo.core.credit.ModelName;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.measure.Interval;
import wendo.core.measure.Judgement;
import wendo.core.measure.RateDifference;
import wendo.core.measure.Verdict;
import wendo.core.outcomes.OutcomeKind;

/**
 * The rules judged by seasons whose truth is known: what docs/SIMULATION.md says of it. The seasons are seeded, so the
 * figures are the same each time; how often an interval ought to hold the truth is the definition of its 95 %.
 */
class JudgeTest {
    private static final int SEASONS = 30;
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate FIRST = LocalDate.of(2026, 5, 26);
    private static final World WORLD = MarramPoint.WORLD;
    private static final Truth TRUTH = new Truth(WORLD, FIRST);

    /** Ceilings as parts of the true cost, evenly around it by factors; none is the true cost itself. */
    private static final double[] CEILINGS = {0.4, 0.55, 0.7, 0.85, 1.18, 1.4, 1.8, 2.5};

    /** Everything that comes of the people who come within the season. */
    private static final List<Found> ALL = IntStream.range(0, SEASONS)
            .mapToObj(i -> new Found(
                    WORLD,
                    SeasonSimulation.play(
                            WORLD,
                            7_000_000_007L * (i + 1),
                            new SeasonSimulation.Start(FIRST, LONDON),
                            new SeasonSimulation.End(
                                    FIRST.plusWeeks(SeasonSimulation.WEEKS).minusDays(1),
                                    FIRST.plusWeeks(SeasonSimulation.WEEKS + 9)
                                            .atStartOfDay(LONDON)
                                            .toInstant()))))
            .toList();

    /** How often something held, of how often it was asked. */
    private static final class Tally {
        private long held;
        private long asked;

        void add(boolean holds) {
            held += holds ? 1 : 0;
            asked++;
        }

        double share() {
            return (double) held / asked;
        }

        @Override
        public String toString() {
            return "%.2f %% of %d".formatted(100 * share(), asked);
        }
    }

    private interface Asked {
        void of(Found found, TrueSource source, OutcomeKind kind);
    }

    private static void ask(Asked asked) {
        for (Found found : ALL) {
            for (TrueSource source : WORLD.sources()) {
                for (OutcomeKind kind : SeasonSimulation.KINDS) {
                    asked.of(found, source, kind);
                }
            }
        }
    }

    private static Tally covered(Asked ask, Tally tally, String what) {
        ask(ask);
        System.out.printf("simulation %s: %s%n", what, tally);
        return tally;
    }

    private static void assertCovers(Tally tally) {
        assertThat(tally.share()).isBetween(0.93, 0.97);
    }

    private static boolean holds(Interval interval, double truth) {
        return interval.low() <= truth && truth <= interval.high();
    }

    @Test
    void rates_lie_in_their_intervals() {
        Tally tally = new Tally();
        assertCovers(covered(
                (found, source, kind) -> found.rate(source, kind)
                        .interval()
                        .ifPresent(interval ->
                                tally.add(holds(interval, TRUTH.told(source, kind) / TRUTH.people(source)))),
                tally,
                "rates"));
    }

    @Test
    void counts_lie_in_their_intervals() {
        Tally tally = new Tally();
        assertCovers(covered(
                (found, source, kind) -> tally.add(holds(
                        found.count(source, kind, ModelName.LAST_NON_DIRECT).interval(), TRUTH.told(source, kind))),
                tally,
                "counts"));
    }

    @Test
    void costs_lie_in_their_intervals() {
        Tally tally = new Tally();
        assertCovers(covered(
                (found, source, kind) -> tally.add(holds(
                        cost(found, source, kind).intervalMinor().orElseThrow(),
                        source.costMinor() / TRUTH.told(source, kind))),
                tally,
                "costs"));
    }

    @Test
    void shared_counts_lie_in_their_scaled_intervals() {
        Tally tally = new Tally();
        assertCovers(covered(
                (found, source, kind) -> tally.add(holds(
                        found.count(source, kind, ModelName.LINEAR).interval(), TRUTH.toldLinearly(source, kind))),
                tally,
                "linear counts"));
    }

    private static CostPer cost(Found found, TrueSource source, OutcomeKind kind) {
        return new CostPer(source.costMinor(), found.count(source, kind, ModelName.LAST_NON_DIRECT));
    }

    @Test
    void differences_of_rates_lie_in_their_intervals() {
        Tally tally = new Tally();
        assertCovers(covered(
                (found, source, kind) -> {
                    TrueSource other = WORLD.sources()
                            .get((WORLD.sources().indexOf(source) + 1)
                                    % WORLD.sources().size());
                    double truth = TRUTH.told(source, kind) / TRUTH.people(source)
                            - TRUTH.told(other, kind) / TRUTH.people(other);
                    RateDifference.of(found.rate(source, kind), found.rate(other, kind))
                            .ifPresent(
                                    difference -> tally.add(difference.low() <= truth && truth <= difference.high()));
                },
                tally,
                "differences"));
    }

    /** Held against all that truly came, also what told nothing of where it came from. */
    @Test
    void few_verdicts_are_wrong() {
        Tally wrong = new Tally();
        Tally decided = new Tally();
        ask((found, source, kind) -> {
            double truth = source.costMinor() / TRUTH.outcomes(source, kind);
            for (double part : CEILINGS) {
                Verdict verdict = new Judgement(cost(found, source, kind), part * truth).verdict();
                decided.add(verdict != Verdict.TOO_EARLY);
                if (verdict != Verdict.TOO_EARLY) {
                    wrong.add((verdict == Verdict.EARNING) != (part > 1));
                }
            }
        });
        System.out.printf("simulation verdicts wrong: %s decided; decided: %s%n", wrong, decided);
        assertThat(wrong.share()).isLessThanOrEqualTo(0.05);
        assertThat(decided.share()).as("it does decide").isGreaterThan(0.3);
    }

    @Test
    void under_every_model_each_outcome_is_shared_exactly() {
        long outcomes = 0;
        for (Found found : ALL) {
            for (Found.Shared one : found.shared) {
                assertThat(one.millionths()).isEqualTo(1_000_000);
                assertThat(one.minor()).isEqualTo(one.outcome().valueMinor());
                outcomes++;
            }
        }
        assertThat(outcomes).isGreaterThan(SEASONS * ModelName.values().length * 300L);
    }

    /** Who gets more is not who brought more: what every model agrees on is how much there is. */
    @Test
    void under_every_model_the_sources_add_up_to_the_same() {
        for (Found found : ALL.subList(0, 10)) {
            for (OutcomeKind kind : SeasonSimulation.KINDS) {
                double last = sum(found, kind, ModelName.LAST_TOUCH);
                for (ModelName model : ModelName.values()) {
                    assertThat(sum(found, kind, model)).isCloseTo(last, org.assertj.core.api.Assertions.within(1e-4));
                }
            }
        }
    }

    private static double sum(Found found, OutcomeKind kind, ModelName model) {
        return WORLD.sources().stream()
                .map(source -> found.count(source, kind, model))
                .mapToDouble(Count::value)
                .sum();
    }

    /** That the judge sees what is wrong: with a truth three tenths too high the intervals hold less of it. */
    @Test
    void a_wrong_truth_is_found_out() {
        Tally tally = new Tally();
        ask((found, source, kind) -> tally.add(holds(
                found.count(source, kind, ModelName.LAST_NON_DIRECT).interval(), 1.3 * TRUTH.told(source, kind))));
        assertThat(tally.share()).isLessThan(0.93);
    }
}
