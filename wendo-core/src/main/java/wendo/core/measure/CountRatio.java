package wendo.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * How many times as often things happen as other things, each for its own exposure (days, people or spend), with its 95 %
 * interval.
 *
 * @param high may be infinite
 */
public record CountRatio(double value, double low, double high) {
    private static final double TAIL = 0.025;

    public CountRatio {
        if (!(low <= high) || low < 0) {
            throw new IllegalArgumentException(
                    "Bounds must be 0 <= low <= high, but were %s and %s".formatted(low, high));
        }
    }

    /**
     * The exact conditional interval of the ratio of two Poisson means: given their sum, the first count is binomial, with
     * the bounds of C. J. Clopper and E. S. Pearson, Biometrika 26 (1934) 404–413; so J. Przyborowski and H. Wilenski,
     * Biometrika 31 (1940) 313–323. Counts of shares go in as their effective counts, as in {@link Count#interval()}. Empty
     * when nothing happened at all, or for no exposure.
     */
    public static Optional<CountRatio> of(Count first, double exposure, Count second, double otherExposure) {
        if (first.value() + second.value() == 0 || !(exposure > 0) || !(otherExposure > 0)) {
            return Optional.empty();
        }
        double a = first.value() / first.weight();
        double b = second.value() / second.weight();
        double scale = first.weight() / second.weight() * otherExposure / exposure;
        double low = a == 0 ? 0 : BetaDistribution.of(a, b + 1).inverseCumulativeProbability(TAIL);
        double high = b == 0 ? 1 : BetaDistribution.of(a + 1, b).inverseSurvivalProbability(TAIL);
        return Optional.of(new CountRatio(scale * odds(a / (a + b)), scale * odds(low), scale * odds(high)));
    }

    /**
     * The two-sided exact p-value of equal means, in [0, 1]: twice the smaller binomial tail, given the sum of both
     * (Przyborowski and Wilenski 1940). It holds its level at any count. Empty when nothing happened at all, or for no
     * exposure.
     */
    public static OptionalDouble pValue(Count first, double exposure, Count second, double otherExposure) {
        if (first.value() + second.value() == 0 || !(exposure > 0) || !(otherExposure > 0)) {
            return OptionalDouble.empty();
        }
        double a = first.value() / first.weight();
        double b = second.value() / second.weight();
        double expected = exposure / first.weight();
        double share = expected / (expected + otherExposure / second.weight());
        double atLeast = a == 0 ? 1 : BetaDistribution.of(a, b + 1).cumulativeProbability(share);
        double atMost = b == 0 ? 1 : BetaDistribution.of(a + 1, b).survivalProbability(share);
        return OptionalDouble.of(Math.min(1, 2 * Math.min(atLeast, atMost)));
    }

    /** How many times what an outcome costs is of what another costs. */
    public static Optional<CountRatio> ofCosts(CostPer first, CostPer second) {
        return of(second.count(), second.spendMinor(), first.count(), first.spendMinor());
    }

    private static double odds(double share) {
        return share == 1 ? Double.POSITIVE_INFINITY : share / (1 - share);
    }

    /** Whether 1 lies outside of the interval. */
    public boolean isClear() {
        return low > 1 || high < 1;
    }
}
