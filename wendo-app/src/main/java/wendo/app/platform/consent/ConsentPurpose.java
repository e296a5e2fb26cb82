package wendo.app.platform.consent;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What a person may be written to, or shown something, for. Answering an enquiry needs no consent of its own. */
public enum ConsentPurpose {
    EMAIL_NEWS("platform.consent.consent-purpose.e-mail-news"),
    TEXT_NEWS("platform.consent.consent-purpose.text-news"),
    ADVERTISING("platform.consent.consent-purpose.advertising-audiences");

    private final String label;

    ConsentPurpose(String label) {
        this.label = label;
    }

    public static Optional<ConsentPurpose> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return Texts.of(label);
    }

    /** In the middle of a sentence. */
    public String inWords() {
        String words = label();
        return words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }

    /** Whether an e-mail address can carry it; a phone number carries what is not sent by e-mail. */
    boolean fits(String contact) {
        boolean isEmail = contact.indexOf('@') >= 0;
        return this == ADVERTISING || isEmail == (this == EMAIL_NEWS);
    }
}
