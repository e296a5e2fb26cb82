package wendo.app.audience.audiences;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a condition asks, as it is chosen. */
enum RuleKind {
    CAME,
    DID,
    SPENT,
    LEAD,
    LABEL,
    SUBSCRIBED,
    SENT,
    TAPPED,
    FORM,
    KNOWN,
    IN;

    static Optional<RuleKind> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
