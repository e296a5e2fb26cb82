package wendo.core.outcomes;

import java.util.Arrays;
import java.util.List;
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

    private static final List<String> SPOKEN_CONFIRMED =
            List.of("approved", "paid", "confirmed", "complete", "completed", "validated");
    private static final List<String> SPOKEN_CANCELLED =
            List.of("cancelled", "canceled", "declined", "rejected", "void", "voided", "reversed", "no show");
    private static final List<String> SPOKEN_OPEN = List.of("open", "pending", "new");

    public static Optional<OutcomeStatus> find(String text) {
        return Arrays.stream(values())
                .filter(status -> status.key().equals(text.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    /** The key of what tills and partners mean by a word; any other word as it is. Common practice. */
    public static String spoken(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        return SPOKEN_CONFIRMED.contains(word)
                ? CONFIRMED.key()
                : SPOKEN_CANCELLED.contains(word) ? CANCELLED.key() : SPOKEN_OPEN.contains(word) ? OPEN.key() : word;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
