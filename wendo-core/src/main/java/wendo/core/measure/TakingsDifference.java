package wendo.core.measure;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * How much more one group brings per person than another, in minor units, with its interval.
 *
 * @param value the first group's mean less the second's
 */
public record TakingsDifference(double value, double low, double high) {

    public TakingsDifference {
        if (!(low <= high)) {
            throw new IllegalArgumentException("Bounds must be low <= high, but were %s and %s".formatted(low, high));
        }
    }

    /**
     * The {@linkplain Bca BCa bootstrap interval} of the difference of two means: 2,000 resamples of people of both
     * groups with a fixed seed, the acceleration of several samples by T. J. DiCiccio and B. Efron, Statistical Science 11
     * (1996) 189–228, section 4. Empty if one of the groups has fewer than 5 payers.
     *
     * @param comparisons how many such differences are looked at together, which widens each (Bonferroni)
     */
    public static Optional<TakingsDifference> of(Takings first, Takings second, int comparisons) {
        if (comparisons < 1) {
            throw new IllegalArgumentException("Comparisons must be 1 or more, but were " + comparisons);
        }
        if (first.paidMinor().size() < Takings.LEAST_PAYERS
                || second.paidMinor().size() < Takings.LEAST_PAYERS) {
            return Optional.empty();
        }
        SplittableRandom random = new SplittableRandom(Bca.SEED);
        double[] ones = first.resampled(random);
        double[] others = second.resampled(random);
        double[] differences = new double[Bca.RESAMPLES];
        for (int i = 0; i < differences.length; i++) {
            differences[i] = ones[i] / first.people() - others[i] / second.people();
        }
        Arrays.sort(differences);
        double value = first.perPersonMinor() - second.perPersonMinor();
        return Bca.bounds(value, differences, acceleration(first, second), comparisons)
                .map(bounds -> new TakingsDifference(value, bounds.low(), bounds.high()));
    }

    private static double acceleration(Takings first, Takings second) {
        double squares =
                first.centralSum(2) / Math.pow(first.people(), 2) + second.centralSum(2) / Math.pow(second.people(), 2);
        double cubes =
                first.centralSum(3) / Math.pow(first.people(), 3) - second.centralSum(3) / Math.pow(second.people(), 3);
        return squares == 0 ? 0 : cubes / (6 * Math.pow(squares, 1.5));
    }

    /** Whether the first brings more, whatever value of the interval is true. */
    public boolean isClearlyMore() {
        return low > 0;
    }
}
