package wendo.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * What people brought in, and how sure its sum is. Most people bring nothing, so only payers are listed.
 *
 * @param people all of them, payers too
 * @param paidMinor what each payer brought, in minor units
 */
public record Takings(long people, List<Long> paidMinor) {
    /** With fewer payers an interval would say more than is known. */
    public static final int LEAST_PAYERS = 5;

    private static final int RESAMPLES = 2_000;
    private static final long SEED = 1987;
    private static final double TAIL = 0.025;
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    public Takings {
        paidMinor = List.copyOf(paidMinor);
        if (people < paidMinor.size()) {
            throw new IllegalArgumentException(
                    "Payers are people, but %d of %d paid".formatted(paidMinor.size(), people));
        }
    }

    public long sumMinor() {
        return paidMinor.stream().mapToLong(Long::longValue).sum();
    }

    /**
     * The BCa bootstrap interval of the sum at 95 %: B. Efron, J. Am. Stat. Assoc. 82 (1987) 171–185; 2,000 resamples of
     * people with a fixed seed, acceleration by the jackknife. Not below 0. Empty under 5 payers, or if nothing varies.
     */
    public Optional<Interval> interval() {
        double sum = sumMinor();
        if (paidMinor.size() < LEAST_PAYERS) {
            return Optional.empty();
        }
        double[] resampled = resampled();
        double below = Arrays.stream(resampled).filter(one -> one < sum).count()
                + 0.5 * Arrays.stream(resampled).filter(one -> one == sum).count();
        if (below == 0 || below == RESAMPLES || resampled[0] == resampled[RESAMPLES - 1]) {
            return Optional.empty();
        }
        double bias = NORMAL.inverseCumulativeProbability(below / RESAMPLES);
        double acceleration = acceleration();
        double low = at(resampled, corrected(NORMAL.inverseCumulativeProbability(TAIL), bias, acceleration));
        double high = at(resampled, corrected(NORMAL.inverseSurvivalProbability(TAIL), bias, acceleration));
        return Optional.of(new Interval(Math.max(0, low), Math.max(0, high)));
    }

    /** Sums of as many people drawn with replacement, ascending. How many of them are payers is binomial. */
    private double[] resampled() {
        SplittableRandom random = new SplittableRandom(SEED);
        int payers = paidMinor.size();
        BinomialDistribution drawnPayers = BinomialDistribution.of(Math.toIntExact(people), (double) payers / people);
        double[] sums = new double[RESAMPLES];
        for (int i = 0; i < RESAMPLES; i++) {
            int drawn = drawnPayers.inverseCumulativeProbability(random.nextDouble());
            long sum = 0;
            for (int j = 0; j < drawn; j++) {
                sum += paidMinor.get(random.nextInt(payers));
            }
            sums[i] = sum;
        }
        Arrays.sort(sums);
        return sums;
    }

    private double acceleration() {
        double mean = (double) sumMinor() / people;
        double others = people - paidMinor.size();
        double squares = others * mean * mean;
        double cubes = -others * mean * mean * mean;
        for (long paid : paidMinor) {
            squares += Math.pow(paid - mean, 2);
            cubes += Math.pow(paid - mean, 3);
        }
        return squares == 0 ? 0 : cubes / (6 * Math.pow(squares, 1.5));
    }

    private static double corrected(double z, double bias, double acceleration) {
        return NORMAL.cumulativeProbability(bias + (bias + z) / (1 - acceleration * (bias + z)));
    }

    private static double at(double[] ascending, double share) {
        double place = share * (ascending.length + 1) - 1;
        int lower = (int) Math.max(0, Math.min(ascending.length - 1, Math.floor(place)));
        int upper = Math.min(ascending.length - 1, lower + 1);
        double between = Math.max(0, Math.min(1, place - lower));
        return ascending[lower] + between * (ascending[upper] - ascending[lower]);
    }
}
