package wendo.app.platform.consent;

import java.util.Locale;

/** How consent was withdrawn. */
public enum Withdrawal {
    STOP_PAGE("on the stop page"),
    REPLY("by a reply"),
    OFFICE("by the office");

    private final String words;

    Withdrawal(String words) {
        this.words = words;
    }

    static Withdrawal of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String words() {
        return words;
    }
}
