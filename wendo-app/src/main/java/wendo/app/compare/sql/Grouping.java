package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What is compared with each other. */
public enum Grouping {
    SOURCE("compare.sql.grouping.source", "compare.sql.grouping.sources", ""),
    CHANNEL(
            "compare.sql.grouping.channel",
            "compare.sql.grouping.channels",
            "compare.sql.grouping.once-for-each-source"),
    CAMPAIGN(
            "compare.sql.grouping.campaign",
            "compare.sql.grouping.campaigns",
            "compare.sql.grouping.once-for-each-link"),
    MEDIUM("compare.sql.grouping.medium", "compare.sql.grouping.mediums", "compare.sql.grouping.once-for-each-source"),
    LINK("compare.sql.grouping.link", "compare.sql.grouping.links", ""),
    DESTINATION(
            "compare.sql.grouping.destination",
            "compare.sql.grouping.destinations",
            "compare.sql.grouping.once-for-each-link"),
    PARTNER(
            "compare.sql.grouping.partner",
            "compare.sql.grouping.partners",
            "compare.sql.grouping.once-for-each-source"),
    OWNER("compare.sql.grouping.owner", "compare.sql.grouping.owners", "compare.sql.grouping.once-for-each-link"),
    COUNTRY(
            "compare.sql.grouping.country",
            "compare.sql.grouping.countries",
            "compare.sql.grouping.people-not-known-by-country"),
    DEVICE(
            "compare.sql.grouping.device",
            "compare.sql.grouping.devices",
            "compare.sql.grouping.people-not-known-by-device"),
    MONTH("compare.sql.grouping.month", "compare.sql.grouping.months", "compare.sql.grouping.once-for-each-month");

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
        return Texts.of(noun);
    }

    public String plural() {
        return Texts.of(plural);
    }

    /** A note on how its figures are counted; empty where that needs no note. */
    public String rule() {
        return rule.isEmpty() ? "" : Texts.of(rule);
    }

    /** Whether each group is a set of sources; then what came without a link has a group too. */
    public boolean isOfSources() {
        return this == SOURCE || this == CHANNEL || this == MEDIUM || this == PARTNER;
    }

    /** Whether each group is a set of links. */
    public boolean isOfLinks() {
        return this == CAMPAIGN || this == LINK || this == DESTINATION || this == OWNER;
    }

    /** Whether traits of single visits decide the group; people and spend are not known by traits. */
    public boolean isOfVisits() {
        return this == COUNTRY || this == DEVICE;
    }
}
