package wendo.core.visits;

import java.util.Locale;

/** What an arrival was. Only {@link #PERSON} counts in rates; {@link #PROOF}, a test of the business's own, counts nowhere. */
public enum VisitKind {
    PERSON,
    REPEAT,
    PREVIEW,
    ROBOT,
    PROOF;

    /** By its key. */
    public static VisitKind of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
