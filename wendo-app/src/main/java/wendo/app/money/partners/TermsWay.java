package wendo.app.money.partners;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** Whether terms are for what comes by a partner's links, or with its codes. */
public enum TermsWay {
    LINK,
    CODE;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(this == LINK ? "money.partners.by-links" : "money.partners.by-codes");
    }

    static TermsWay of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }
}
