package wendo.app.sending;

import java.util.Locale;

/** How a message goes out. */
public enum Road {
    EMAIL,
    TEXT,
    VOICE;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Road of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }
}
