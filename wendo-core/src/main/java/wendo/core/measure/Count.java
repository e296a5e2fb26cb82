package wendo.core.measure;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * A number of things that happened independently of each other, in whole or in shares.
 *
 * @param value the sum of the shares
 * @param squares the sum of their squares; the same as the sum if all are whole
 */
public record Count(double value, double squares) {
    private static final double TAIL = 0.025;

    public Count {
        if (!(value >= 0) || !(squares >= 0) || Double.isInfinite(value)) {
            throw new IllegalArgumentException("Count must be 0 or more, but was %s".formatted(value));
        }
    }

    /** Of things that count as a whole. */
    public static Count of(long things) {
        return new Count(things, things);
    }

    Count times(double factor) {
        return new Count(value * factor, squares * factor);
    }

    /** How much one of its independent things weighs: 1 of whole things, less of shares. */
    double weight() {
        return value == 0 ? 1 : squares / value;
    }

    public Count plus(Count other) {
        return new Count(value + other.value, squares + other.squares);
    }

    /** Without a part of it; what rounding leaves below 0 is 0. */
    Count minus(Count part) {
        return new Count(Math.max(0, value - part.value), Math.max(0, squares - part.squares));
    }

    /**
     * Garwood's exact interval for a Poisson mean at 95 %: half the chi-squared quantiles at 2n and 2n + 2 degrees of
     * freedom. F. Garwood, Biometrika 28 (1936) 437–442. Of shares, n is the effective count (Σw)² ÷ Σw², and the bounds
     * are scaled by Σw² ÷ Σw: the scaled Poisson distribution of G. Bohm and G. Zech, Nuclear Instruments and Methods A
     * 748 (2014) 1–6.
     */
    public Interval interval() {
        double scale = weight();
        double effective = value / scale;
        double low = value == 0 ? 0 : ChiSquaredDistribution.of(2 * effective).inverseCumulativeProbability(TAIL) / 2;
        double high = ChiSquaredDistribution.of(2 * effective + 2).inverseSurvivalProbability(TAIL) / 2;
        return new Interval(low * scale, high * scale);
    }
}
