package wendo.core.measure;

/** How many people a split test needs. */
public final class SampleSize {
    /** The quantile of the standard normal distribution that 80 % lie below. */
    private static final double Z_POWER = 0.8416212335729143;

    private SampleSize() {}

    /**
     * People for each of two ways, so that a difference between these rates is found at 95 % in 80 % of all tests: J. L.
     * Fleiss, Statistical Methods for Rates and Proportions, 2nd ed. (1981), section 3.2, without correction. Rounded up.
     */
    public static long perWay(double rate, double otherRate) {
        if (!(rate >= 0 && rate <= 1 && otherRate >= 0 && otherRate <= 1) || rate == otherRate) {
            throw new IllegalArgumentException(
                    "Two different rates from 0 to 1 are needed, but were %s and %s".formatted(rate, otherRate));
        }
        double mean = (rate + otherRate) / 2;
        double reach = Rate.Z_95 * Math.sqrt(2 * mean * (1 - mean))
                + Z_POWER * Math.sqrt(rate * (1 - rate) + otherRate * (1 - otherRate));
        return (long) Math.ceil(Math.pow(reach / (rate - otherRate), 2));
    }
}
