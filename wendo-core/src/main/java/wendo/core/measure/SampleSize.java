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

    /**
     * People for each of two ways, so that such a difference of what they bring is found at 95 % in 80 % of all tests:
     * 2(z₁ + z₂)²s² ÷ d², J. Cohen, Statistical Power Analysis for the Behavioral Sciences, 2nd ed. (1988), section 2.4,
     * by the normal distribution. Rounded up.
     *
     * @param deviation standard deviation of what one person brings
     * @param difference of what a person brings on the mean
     */
    public static long perWayOfMeans(double deviation, double difference) {
        if (!(deviation > 0 && difference > 0)) {
            throw new IllegalArgumentException("A deviation and a difference above 0 are needed, but were %s and %s"
                    .formatted(deviation, difference));
        }
        return (long) Math.ceil(2 * Math.pow((Rate.Z_95 + Z_POWER) * deviation / difference, 2));
    }
}
