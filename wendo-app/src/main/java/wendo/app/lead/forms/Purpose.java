package wendo.app.lead.forms;

import java.util.Arrays;
import java.util.Optional;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.OutcomeKind;

/** What a form is for, and what becomes of it when somebody fills it in. */
enum Purpose {
    ENQUIRY("enquiry", "lead.forms.purpose.enquiry", OutcomeKind.LEAD),
    BOOKING("booking", "lead.forms.purpose.booking-request", OutcomeKind.BOOKING),
    SIGN_UP("sign-up", "lead.forms.purpose.sign-up", OutcomeKind.LEAD);

    private final String key;
    private final String words;
    private final OutcomeKind outcome;

    Purpose(String key, String words, OutcomeKind outcome) {
        this.key = key;
        this.words = words;
        this.outcome = outcome;
    }

    public String key() {
        return key;
    }

    public String words() {
        return Texts.of(words);
    }

    public OutcomeKind outcome() {
        return outcome;
    }

    static Optional<Purpose> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key.equals(key)).findFirst();
    }
}
