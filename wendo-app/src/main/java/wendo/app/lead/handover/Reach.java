package wendo.app.lead.handover;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What leads a handover is for, narrowest last. */
enum Reach {
    BUSINESS("all leads"),
    CAMPAIGN("leads of a campaign"),
    SOURCE("leads of a source"),
    LINK("leads of a link");

    private final String words;

    Reach(String words) {
        this.words = words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    static Optional<Reach> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }
}
