package wendo.core.measure;

import java.util.Optional;

/**
 * How much greater one rate is than another, with its 95 % interval, from −1 to 1.
 *
 * @param value the first rate less the second
 */
public record RateDifference(double value, double low, double high) {

    public RateDifference {
        if (!(low <= high) || low < -1 || high > 1) {
            throw new IllegalArgumentException(
                    "Bounds must be -1 <= low <= high <= 1, but were %s and %s".formatted(low, high));
        }
    }

    /**
     * Newcombe's hybrid score interval of two independent rates, method 10 of R. G. Newcombe, Statistics in Medicine 17
     * (1998) 873–890: each side reaches as far as the bounds of both rates' Wilson intervals do, squared and added. Empty
     * if one of them has no interval.
     */
    public static Optional<RateDifference> of(Rate first, Rate second) {
        return first.interval().flatMap(a -> second.interval().map(b -> of(first, a, second, b)));
    }

    private static RateDifference of(Rate first, Interval a, Rate second, Interval b) {
        double p = first.value().orElseThrow();
        double q = second.value().orElseThrow();
        double difference = p - q;
        return new RateDifference(
                difference,
                Math.max(-1, difference - Math.hypot(p - a.low(), b.high() - q)),
                Math.min(1, difference + Math.hypot(a.high() - p, q - b.low())));
    }

    /** Whether 0 lies outside of the interval. */
    public boolean isClear() {
        return low > 0 || high < 0;
    }
}
