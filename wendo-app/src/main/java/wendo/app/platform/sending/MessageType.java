package wendo.app.platform.sending;

import java.util.Locale;

/** How a message goes out. */
public enum MessageType {
    EMAIL,
    TEXT,
    VOICE;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static MessageType of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }
}
