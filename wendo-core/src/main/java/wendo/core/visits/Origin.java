package wendo.core.visits;

import java.util.Arrays;
import java.util.Locale;

/** Where an arrival without a link came from. */
public enum Origin {
    /** Its address names a source that is known. */
    TAGGED,
    /** A search engine's page: organic search. */
    SEARCH,
    /** A social network's page. */
    SOCIAL,
    /** Another website's page. */
    REFERRAL,
    /** No page is known that led here: typed, kept, or not told. */
    DIRECT;

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
