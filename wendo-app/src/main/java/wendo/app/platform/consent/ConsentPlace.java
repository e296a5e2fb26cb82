package wendo.app.platform.consent;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** Where words of consent stand. */
public enum ConsentPlace {
    FORM("platform.consent.consent-place.entry-form"),
    OPT_IN("platform.consent.consent-place.newsletter-link"),
    LIST("platform.consent.consent-place.uploaded-list"),
    SIGN_UP("platform.consent.consent-place.sign-up-form"),
    /** By phone, at the counter or by letter; who was told stands as the page. */
    TOLD("platform.consent.consent-place.told");

    private final String label;

    ConsentPlace(String label) {
        this.label = label;
    }

    public static ConsentPlace of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return Texts.of(label);
    }
}
