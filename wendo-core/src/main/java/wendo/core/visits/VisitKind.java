package wendo.core.visits;

import java.util.Locale;

/** What an arrival was. Only {@link #PERSON} counts in rates. */
public enum VisitKind {
    PERSON,
    REPEAT,
    PREVIEW,
    ROBOT;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
