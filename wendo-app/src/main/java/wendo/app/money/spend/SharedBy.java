package wendo.app.money.spend;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** How the sources of a campaign share what it cost. Where a rule tells nothing, they share equally. */
enum SharedBy {
    EQUALLY("money.spend.shared-by.equally"),
    COPIES("money.spend.shared-by.by-copies-and-recipients"),
    VISITS("money.spend.shared-by.by-visits");

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
        return Texts.of(label);
    }
}
