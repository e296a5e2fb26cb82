package wendo.app.platform.consent;

import java.util.Locale;

/** Where words of consent stand. */
public enum ConsentPlace {
    FORM("entry form"),
    OPT_IN("newsletter link"),
    LIST("uploaded list"),
    /** By phone, at the counter or by letter; who was told stands as the page. */
    TOLD("told");

    private final String label;

    ConsentPlace(String label) {
        this.label = label;
    }

    static ConsentPlace of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return label;
    }
}
