package wendo.app.lead.handover;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What leads a handover is for, narrowest last. */
enum Reach {
    BUSINESS("lead.handover.reach.all-leads"),
    CAMPAIGN("lead.handover.reach.leads-of-a-campaign"),
    SOURCE("lead.handover.reach.leads-of-a-source"),
    LINK("lead.handover.reach.leads-of-a-link");

    private final String words;

    Reach(String words) {
        this.words = words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return Texts.of(words);
    }

    static Optional<Reach> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }
}
