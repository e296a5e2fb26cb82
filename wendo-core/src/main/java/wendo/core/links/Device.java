package wendo.core.links;

import java.util.Locale;

/**
 * What kind of machine a browser runs on, as its user agent tells. Phones say "Mobi" (MDN, "Browser detection using the
 * user agent"); Android without it is a tablet (Chrome's own documentation). An iPad asks for pages as a desktop
 * computer does, and is counted as one unless it says "iPad".
 */
public enum Device {
    PHONE,
    TABLET,
    COMPUTER;

    public static Device of(String userAgent) {
        if (userAgent.contains("iPad") || (userAgent.contains("Android") && !userAgent.contains("Mobi"))) {
            return TABLET;
        }
        return userAgent.contains("Mobi") ? PHONE : COMPUTER;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
