package wendo.core.measure;

/**
 * The price of one copy or one message, in thousandths of the minor unit: 8.5 p is 8,500. Many copies cost their whole
 * price rounded once, half up, to the minor unit.
 */
public record UnitPrice(long millis) {
    /** A million of the major unit apiece is no price of a postcard. */
    private static final long MAX_MILLIS = 100_000_000_000L;

    public UnitPrice {
        if (millis < 0 || millis > MAX_MILLIS) {
            throw new IllegalArgumentException(
                    "A price must be 0 to %d thousandths, but was %d".formatted(MAX_MILLIS, millis));
        }
    }

    public long times(long copies) {
        return Math.addExact(Math.multiplyExact(millis, copies), 500) / 1000;
    }
}
