package wendo.core.partners;

/**
 * What an outcome was worth, in minor units, each 0 or more.
 *
 * @param valueMinor what was paid
 * @param keptMinor what is left of it after refunds
 * @param deliveryMinor what of the value was for delivery
 * @param items what was bought, as one line
 */
public record Worth(long valueMinor, long keptMinor, long deliveryMinor, String items) {
    public Worth {
        if (valueMinor < 0 || keptMinor < 0 || deliveryMinor < 0) {
            throw new IllegalArgumentException(
                    "A value, what is left of it and delivery must be 0 or more, but were %d, %d and %d"
                            .formatted(valueMinor, keptMinor, deliveryMinor));
        }
    }

    /** Nothing came back, and nothing was for delivery. */
    public static Worth of(long minor) {
        return new Worth(minor, minor, 0, "");
    }

    public Worth withKept(long minor) {
        return new Worth(valueMinor, minor, deliveryMinor, items);
    }
}
