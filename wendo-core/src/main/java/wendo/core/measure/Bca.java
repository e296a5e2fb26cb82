package wendo.core.measure;

import java.util.Arrays;
import java.util.Optional;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The bias-corrected and accelerated bootstrap interval at 95 %: B. Efron, J. Am. Stat. Assoc. 82 (1987) 171–185.
 */
final class Bca {
    static final int RESAMPLES = 2_000;
    static final long SEED = 1987;

    private static final double LEVEL = 0.05;
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    private Bca() {}

    /** Two bounds, which may be below 0. */
    record Bounds(double low, double high) {}

    /** The same as {@link #bounds} of an estimate that is never below 0. */
    static Optional<Interval> interval(double estimate, double[] ascending, double acceleration) {
        return bounds(estimate, ascending, acceleration, 1)
                .map(one -> new Interval(Math.max(0, one.low()), Math.max(0, one.high())));
    }

    /**
     * @param comparisons how many intervals are looked at together: each is as wide as all of them at 95 % need (Bonferroni)
     * @param ascending the estimates from the resamples
     * @param acceleration by the jackknife: Σd³ ÷ 6(Σd²)^1.5, d being how far each one moves the estimate
     * @return empty if nothing varies, or if all resamples lie on one side of the estimate
     */
    static Optional<Bounds> bounds(double estimate, double[] ascending, double acceleration, int comparisons) {
        double below = Arrays.stream(ascending).filter(one -> one < estimate).count()
                + 0.5 * Arrays.stream(ascending).filter(one -> one == estimate).count();
        if (below == 0 || below == ascending.length || ascending[0] == ascending[ascending.length - 1]) {
            return Optional.empty();
        }
        double bias = NORMAL.inverseCumulativeProbability(below / ascending.length);
        double tail = LEVEL / 2 / comparisons;
        return Optional.of(new Bounds(
                at(ascending, corrected(NORMAL.inverseCumulativeProbability(tail), bias, acceleration)),
                at(ascending, corrected(NORMAL.inverseSurvivalProbability(tail), bias, acceleration))));
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
