package wendo.app.platform.accounts;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** By what somebody signed in, or tried to. */
public enum SignInWay {
    PASSWORD,
    CODE,
    RECOVERY,
    PASSKEY,
    INVITATION,
    RESET,
    WELCOME;

    static SignInWay of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return Texts.of("platform.accounts.way", key());
    }
}
