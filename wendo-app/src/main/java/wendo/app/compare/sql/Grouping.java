package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What is compared with each other. */
public enum Grouping {
    SOURCE("source", "sources", ""),
    CHANNEL("channel", "channels", "A person counts once for each source they came by."),
    CAMPAIGN("campaign", "campaigns", "A person counts once for each link they came by."),
    MEDIUM("medium", "mediums", "A person counts once for each source they came by."),
    LINK("link", "links", ""),
    DESTINATION("destination", "destinations", "A person counts once for each link they came by."),
    PARTNER("partner", "partners", "A person counts once for each source they came by."),
    OWNER("owner", "owners", "A person counts once for each link they came by."),
    COUNTRY(
            "country",
            "countries",
            "People are not told by country, so rates are of visits; spend is not known by it."),
    DEVICE("device", "devices", "People are not told by device, so rates are of visits; spend is not known by it."),
    MONTH("month", "months", "A person counts once for each month they came in.");

    private final String noun;
    private final String plural;
    private final String rule;

    Grouping(String noun, String plural, String rule) {
        this.noun = noun;
        this.plural = plural;
        this.rule = rule;
    }

    public static Optional<Grouping> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String noun() {
        return noun;
    }

    public String plural() {
        return plural;
    }

    /** How its figures are counted where that is not plain; else empty text. */
    public String rule() {
        return rule;
    }

    /** Whether each group is a set of sources, so that what has no link belongs to one too. */
    public boolean isOfSources() {
        return this == SOURCE || this == CHANNEL || this == MEDIUM || this == PARTNER;
    }

    /** Whether each group is a set of links. */
    public boolean isOfLinks() {
        return this == CAMPAIGN || this == LINK || this == DESTINATION || this == OWNER;
    }

    /** Whether a visit's own traits tell its group; nobody's people or spend are known by these. */
    public boolean isOfVisits() {
        return this == COUNTRY || this == DEVICE;
    }
}
