package wendo.core.visits;

import java.util.Arrays;
import java.util.Locale;
import wendo.core.links.Tag;

/** Where an arrival without a link came from. */
public enum Origin {
    /** Its address names a source that is known. */
    TAGGED(""),
    /** A search engine's page: organic search. */
    SEARCH("Organic search"),
    /** A social network's page. */
    SOCIAL("Social without a link"),
    /** Another website's page. */
    REFERRAL("Other websites"),
    /** No page is known that led here: typed, kept, or not told. */
    DIRECT("");

    private final String source;

    Origin(String source) {
        this.source = source;
    }

    /** The name of the source that all its arrivals are counted for; empty text if there is no one such source. */
    public String source() {
        return source;
    }

    /** Whether a source stands for arrivals without a link, so that no link is issued for it. */
    public static boolean isStoodForBy(Tag source) {
        return Arrays.stream(values())
                .anyMatch(one -> !one.source.isEmpty() && Tag.of(one.source).equals(source));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Throws on a key that is none. */
    public static Origin of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElseThrow(
                        () -> new IllegalArgumentException("Origin must be one of its keys, but was \"" + key + "\""));
    }
}
