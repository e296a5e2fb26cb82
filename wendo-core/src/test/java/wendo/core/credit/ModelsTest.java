package wendo.core.credit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wendo.core.links.Channel;
import wendo.core.visits.Touch;

class ModelsTest {
    private static final Instant OUTCOME = Instant.parse("2026-07-01T10:00:00Z");
    private static final UUID A = new UUID(1, 1);
    private static final UUID B = new UUID(1, 2);
    private static final UUID C = new UUID(1, 3);

    private static Touch touch(UUID source, Duration before) {
        Instant at = OUTCOME.minus(before);
        return new Touch(source, Channel.AD, new UUID(at.toEpochMilli(), source.getLeastSignificantBits()), at);
    }

    /** A touch of each source in turn, a day apart. */
    private static Trail trail(UUID... sources) {
        return new Trail(
                OUTCOME,
                IntStream.range(0, sources.length)
                        .mapToObj(i -> touch(sources[i], Duration.ofDays(sources.length - i)))
                        .toList());
    }

    private static List<Long> shares(AttributionModel model, Trail trail) {
        return Allocation.split(Allocation.WHOLE, model.weigh(trail));
    }

    /** Common practice, as the rules of the house write it: 1/n; 40, 20, 40; half each of two; all of one. */
    @Test
    void the_fixed_models_share_as_they_say() {
        Trail four = trail(A, B, C, A);
        assertThat(shares(new FirstTouch(), four)).containsExactly(1_000_000L, 0L, 0L, 0L);
        assertThat(shares(new LastTouch(), four)).containsExactly(0L, 0L, 0L, 1_000_000L);
        assertThat(shares(new Linear(), four)).containsExactly(250_000L, 250_000L, 250_000L, 250_000L);
        assertThat(shares(PositionBased.usual(), four)).containsExactly(400_000L, 100_000L, 100_000L, 400_000L);
        assertThat(shares(PositionBased.usual(), trail(A, B, C))).containsExactly(400_000L, 200_000L, 400_000L);
        assertThat(shares(PositionBased.usual(), trail(A, B))).containsExactly(500_000L, 500_000L);
        assertThat(shares(PositionBased.usual(), trail(A))).containsExactly(1_000_000L);
        assertThat(shares(new PositionBased(30, 50), trail(A, B, C))).containsExactly(300_000L, 200_000L, 500_000L);
        assertThat(shares(new PositionBased(0, 0), trail(A, B, C))).containsExactly(333_334L, 333_333L, 333_333L);
    }

    @Test
    void direct_earns_the_last_touch_but_not_the_last_that_a_source_brought() {
        Trail trail = trail(A, B, Touch.DIRECT);
        assertThat(shares(new LastTouch(), trail)).containsExactly(0L, 0L, 1_000_000L);
        assertThat(shares(new LastNonDirect(), trail)).containsExactly(0L, 1_000_000L, 0L);
        assertThat(shares(new LastNonDirect(), trail(Touch.DIRECT, Touch.DIRECT)))
                .containsExactly(0L, 1_000_000L);
    }

    /** 2^(−age ÷ 7 days): a week older is half as much, two weeks a quarter. */
    @Test
    void a_touch_counts_half_for_each_half_life_that_it_is_older() {
        Trail trail = new Trail(
                OUTCOME,
                List.of(
                        touch(A, Duration.ofDays(14)),
                        touch(B, Duration.ofDays(7)),
                        touch(C, Duration.ZERO),
                        touch(A, Duration.ofDays(700))));
        assertThat(shares(TimeDecay.usual(), trail)).containsExactly(0L, 142_857L, 285_714L, 571_429L);
        assertThat(new TimeDecay(Duration.ofDays(14)).weigh(trail).subList(1, 4))
                .containsExactly(1L << 39, Math.round(0x1p40 * Math.sqrt(0.5)), 1L << 40);
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void every_model_gives_the_whole_of_it_to_touches_of_the_trail(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Journey> journeys = journeys(random, 6);
        List<AttributionModel> models = new ArrayList<>(ModelRules.usual().models());
        models.add(new Markov(RemovalEffects.of(journeys)));
        models.add(new Shapley(journeys));
        assertThat(models.stream().map(AttributionModel::name)).containsExactly(ModelName.values());
        Trail trail = trail(IntStream.range(0, 1 + random.nextInt(9))
                .mapToObj(i -> random.nextInt(5) == 0 ? Touch.DIRECT : new UUID(7, random.nextInt(6)))
                .toArray(UUID[]::new));
        long value = random.nextLong(1_000_000);
        for (AttributionModel model : models) {
            List<Credit> credits = Credit.divide(trail, model, value);
            assertThat(credits.stream().mapToLong(Credit::shareMillionths).sum())
                    .isEqualTo(1_000_000);
            assertThat(credits.stream().mapToLong(Credit::valueMinor).sum()).isEqualTo(value);
            assertThat(trail.touches())
                    .containsAll(credits.stream().map(Credit::touch).toList());
            assertThat(model.weigh(new Trail(OUTCOME, List.of()))).isEmpty();
        }
    }

    private static List<Journey> journeys(SplittableRandom random, int sources) {
        return IntStream.range(0, 40)
                .mapToObj(i -> {
                    long people = 1 + random.nextInt(30);
                    return new Journey(
                            IntStream.range(0, 1 + random.nextInt(5))
                                    .mapToObj(j -> new UUID(7, random.nextInt(sources)))
                                    .toList(),
                            people,
                            random.nextLong(people + 1) / 3);
                })
                .toList();
    }

    /**
     * Worked by hand: A → B → C ends with an outcome, A with none, B → C with none. From the start A 2/3, B 1/3; from A
     * half goes on to B; from C half ends well: 1/3 in all. Without A one of two outcomes is lost, without B or C all.
     */
    @Test
    void removal_effects_of_journeys_worked_by_hand() {
        RemovalEffects effects = RemovalEffects.of(List.of(
                new Journey(List.of(A, B, C), 1, 1), new Journey(List.of(A), 1, 0), new Journey(List.of(B, C), 1, 0)));
        assertThat(effects.chance()).isCloseTo(1.0 / 3, within(1e-12));
        assertThat(effects.people()).isEqualTo(3);
        assertThat(effects.bySource().get(A)).isCloseTo(0.5, within(1e-12));
        assertThat(effects.bySource().get(B)).isCloseTo(1, within(1e-12));
        assertThat(effects.bySource().get(C)).isCloseTo(1, within(1e-12));
        assertThat(shares(new Markov(effects), trail(A, B, C))).containsExactly(200_000L, 400_000L, 400_000L);
        assertThat(shares(new Markov(effects), trail(B, A, B))).containsExactly(333_334L, 333_333L, 333_333L);
    }

    /** Second implementation: the chain is solved once more for each source, with its state taken out (QR, Hipparchus). */
    @ParameterizedTest
    @MethodSource("seeds")
    void removal_effects_are_those_of_chains_solved_without_each_source(int seed) {
        int sources = 2 + seed % 7;
        List<Journey> journeys = journeys(new SplittableRandom(seed), sources);
        RemovalEffects effects = RemovalEffects.of(journeys);
        double all = chance(journeys, sources, -1);
        assertThat(effects.chance()).isCloseTo(all, within(1e-9));
        effects.bySource().forEach((source, effect) -> {
            double without = chance(journeys, sources, (int) source.getLeastSignificantBits());
            assertThat(effect).isCloseTo(all == 0 ? 0 : 1 - without / all, within(1e-9));
        });
    }

    private static double chance(List<Journey> journeys, int sources, int without) {
        double[][] steps = new double[sources + 1][sources + 1];
        double[] ends = new double[sources + 1];
        double[] all = new double[sources + 1];
        for (Journey journey : journeys) {
            int at = sources;
            for (UUID source : journey.sources()) {
                int next = (int) source.getLeastSignificantBits();
                steps[at][next] += journey.people();
                all[at] += journey.people();
                at = next;
            }
            ends[at] += journey.converted();
            all[at] += journey.people();
        }
        for (int i = 0; i <= sources; i++) {
            for (int j = 0; j <= sources; j++) {
                double step = all[i] == 0 || i == without || j == without ? 0 : steps[i][j] / all[i];
                steps[i][j] = (i == j ? 1 : 0) - step;
            }
            ends[i] = all[i] == 0 || i == without ? 0 : ends[i] / all[i];
        }
        return new QRDecomposition(new Array2DRowRealMatrix(steps))
                .getSolver()
                .solve(new ArrayRealVector(ends))
                .getEntry(sources);
    }

    @Test
    void without_any_outcome_nobody_has_an_effect_and_touches_share_alike() {
        RemovalEffects effects = RemovalEffects.of(List.of(new Journey(List.of(A, B), 9, 0)));
        assertThat(effects.bySource()).isEqualTo(Map.of(A, 0.0, B, 0.0));
        assertThat(shares(new Markov(effects), trail(A, B))).containsExactly(500_000L, 500_000L);
        assertThat(RemovalEffects.of(List.of()).bySource()).isEmpty();
        assertThat(shares(new Shapley(List.of()), trail(A, B))).containsExactly(500_000L, 500_000L);
    }

    /** The glove game, a textbook example: two have a left glove, one a right one; a pair is worth 1. */
    @Test
    void shapley_values_of_the_glove_game() {
        ShapleyValue value = ShapleyValue.of(3, set -> set.get(2) && set.cardinality() >= 2 ? 1 : 0);
        assertThat(value.standardError()).isZero();
        assertThat(value.byPlayer().get(0)).isCloseTo(1.0 / 6, within(1e-12));
        assertThat(value.byPlayer().get(1)).isCloseTo(1.0 / 6, within(1e-12));
        assertThat(value.byPlayer().get(2)).isCloseTo(4.0 / 6, within(1e-12));
    }

    /**
     * The airport game: each needs a runway of some length, together they need the longest. Littlechild and Owen,
     * Management Science 20 (1973): the cost of each further stretch is shared by those who need it.
     */
    @ParameterizedTest
    @CsvSource({"3,1e-9", "12,1e-9", "13,0.15", "25,0.3"})
    void shapley_values_of_the_airport_game(int players, double error) {
        double[] lengths = IntStream.range(0, players)
                .mapToDouble(i -> 1 + i * i % 11)
                .sorted()
                .toArray();
        ShapleyValue value = ShapleyValue.of(
                players, set -> set.stream().mapToDouble(i -> lengths[i]).max().orElse(0));
        double expected = 0;
        for (int i = 0; i < players; i++) {
            expected += (lengths[i] - (i == 0 ? 0 : lengths[i - 1])) / (players - i);
            assertThat(value.byPlayer().get(i)).isCloseTo(expected, within(error));
            assertThat(Math.abs(value.byPlayer().get(i) - expected))
                    .isLessThanOrEqualTo(4.5 * value.standardError() + 1e-9);
        }
        assertThat(value.byPlayer().stream().mapToDouble(Double::doubleValue).sum())
                .isCloseTo(Arrays.stream(lengths).max().orElseThrow(), within(1e-9));
    }

    /** Worked by hand: 1 of 10 with A alone, 1 of 20 with B alone, 3 of 10 with both: 0.175 for A, 0.125 for B. */
    @Test
    void shapley_of_journeys_worked_by_hand() {
        Shapley model = new Shapley(List.of(
                new Journey(List.of(A), 10, 1),
                new Journey(List.of(B), 20, 1),
                new Journey(List.of(A, B), 6, 1),
                new Journey(List.of(B, A), 4, 2)));
        assertThat(shares(model, trail(A, B))).containsExactly(583_333L, 416_667L);
        assertThat(shares(model, trail(B, A, B))).containsExactly(208_334L, 583_333L, 208_333L);
        assertThat(shares(model, trail(A, C)))
                .as("nobody met C: with A it is worth what A is")
                .containsExactly(1_000_000L, 0L);
    }

    /** The airport game again, of journeys by one source each: the k-th of n brings k of 100, and n adds up. */
    @ParameterizedTest
    @CsvSource({"12, true", "13, false", "16, false"})
    void shares_of_more_than_12_sources_have_the_error_that_is_stated(int number, boolean isExact) {
        UUID[] sources =
                IntStream.rangeClosed(1, number).mapToObj(k -> new UUID(9, k)).toArray(UUID[]::new);
        Shapley model = new Shapley(IntStream.rangeClosed(1, number)
                .mapToObj(k -> new Journey(List.of(sources[k - 1]), 100, k))
                .toList());
        List<Long> shares = shares(model, trail(sources));
        double error = model.standardError(Set.of(sources));
        assertThat(error == 0).isEqualTo(isExact);
        assertThat(error).isBetween(0.0, 0.01);
        double expected = 0;
        for (int i = 0; i < number; i++) {
            expected += 1.0 / (number - i) / number;
            assertThat(shares.get(i) / 1e6).isCloseTo(expected, within(4.5 * error + 1e-6));
        }
    }

    @Test
    void a_source_that_takes_away_from_the_others_earns_nothing() {
        Shapley model = new Shapley(List.of(new Journey(List.of(A), 10, 5), new Journey(List.of(A, B), 10, 1)));
        assertThat(shares(model, trail(A, B))).containsExactly(1_000_000L, 0L);
    }

    @Test
    void what_a_rule_cannot_be_is_refused_with_the_numbers() {
        assertThatThrownBy(() -> new PositionBased(60, 41)).hasMessageContaining("60 and 41");
        assertThatThrownBy(() -> new TimeDecay(Duration.ZERO)).hasMessageContaining("PT0S");
        assertThatThrownBy(() -> new ModelRules(40, 40, 366, false)).hasMessageContaining("366");
        assertThatThrownBy(() -> new Journey(List.of(A), 2, 3)).hasMessageContaining("all 2 people, but were 3");
        assertThat(ModelName.find("time-decay")).contains(ModelName.TIME_DECAY);
        assertThat(ModelName.find("gut-feeling")).isEmpty();
    }
}
