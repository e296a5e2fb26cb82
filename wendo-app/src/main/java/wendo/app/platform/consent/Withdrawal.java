package wendo.app.platform.consent;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** How consent was withdrawn. */
public enum Withdrawal {
    STOP_PAGE("platform.consent.withdrawal.on-the-stop-page"),
    REPLY("platform.consent.withdrawal.by-a-reply"),
    OFFICE("platform.consent.withdrawal.by-the-office"),
    COMPLAINT("platform.consent.withdrawal.by-a-complaint"),
    SENDER("platform.consent.withdrawal.at-the-sending-system"),
    /** By the subscriber, who left the last list. */
    CHOICES("platform.consent.withdrawal.by-their-choices");

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
        return Texts.of(words);
    }
}
