package wendo.app.audience.visitortags;

import java.util.Locale;

/** What a tag is switched on or off for, from the widest to the nearest. */
enum TagScope {
    ALL,
    BRAND,
    CAMPAIGN,
    LINK;

    String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
