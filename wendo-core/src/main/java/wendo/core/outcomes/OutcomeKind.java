package wendo.core.outcomes;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a person did that the business wanted. */
public enum OutcomeKind {
    LEAD,
    BOOKING,
    PURCHASE,
    SUBSCRIPTION;

    public static Optional<OutcomeKind> find(String text) {
        return Arrays.stream(values())
                .filter(kind -> kind.key().equals(text.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Bookings and purchases are revenue; a lead's value is a hope, and a subscription's a guess: neither is added to it. */
    public boolean isRevenue() {
        return this == BOOKING || this == PURCHASE;
    }
}
