package wendo.app.money.spend;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How the sources of a campaign share what it cost. Where a rule tells nothing, they share equally. */
enum SharedBy {
    EQUALLY("equally"),
    COPIES("by copies and recipients"),
    VISITS("by people’s visits");

    private final String label;

    SharedBy(String label) {
        this.label = label;
    }

    static Optional<SharedBy> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return label;
    }
}
