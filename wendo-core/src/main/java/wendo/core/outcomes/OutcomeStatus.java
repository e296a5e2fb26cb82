package wendo.core.outcomes;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How an outcome stands. */
public enum OutcomeStatus {
    /** Reported, and counted; nobody has confirmed it yet. */
    OPEN,
    CONFIRMED,
    /** It did not come about after all. It keeps its row and counts for nothing. */
    CANCELLED,
    /** Money went back, in part or whole. */
    REFUNDED;

    public static Optional<OutcomeStatus> find(String text) {
        return Arrays.stream(values())
                .filter(status -> status.key().equals(text.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
