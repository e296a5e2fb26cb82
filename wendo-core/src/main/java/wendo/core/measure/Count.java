package wendo.core.measure;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/** A number of things that happened independently of each other. */
public record Count(long value) {
    private static final double TAIL = 0.025;

    public Count {
        if (value < 0) {
            throw new IllegalArgumentException("Count must be 0 or more, but was %d".formatted(value));
        }
    }

    /**
     * Garwood's exact interval for a Poisson mean at 95 %: half the chi-squared quantiles at 2n and 2n + 2 degrees of
     * freedom. F. Garwood, Biometrika 28 (1936) 437–442.
     */
    public Interval interval() {
        double low = value == 0 ? 0 : ChiSquaredDistribution.of(2.0 * value).inverseCumulativeProbability(TAIL) / 2;
        double high = ChiSquaredDistribution.of(2.0 * value + 2).inverseSurvivalProbability(TAIL) / 2;
        return new Interval(low, high);
    }
}
