package wendo.app.platform.privacy;

import java.util.Optional;
import java.util.Set;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;

/** A kind of personal data that a business keeps for as long as it says. */
public enum RetainedKind {
    LEADS(24),
    MESSAGES(24),
    ANSWERS(24),
    RECIPIENTS(12),
    SUBSCRIBERS(12),
    VISITOR_CONSENTS(36),
    OUTCOMES(36);

    /** The longest stands for as good as ever: what a business has to keep ten years for a tax office is the longest known. */
    static final Set<Integer> MONTHS = Set.of(3, 6, 12, 24, 36, 60, 120);

    private final int usualMonths;

    RetainedKind(int usualMonths) {
        this.usualMonths = usualMonths;
    }

    int usualMonths() {
        return usualMonths;
    }

    public String key() {
        return FilterValues.key(this);
    }

    public String label() {
        return Texts.of("platform.privacy.retained", key());
    }

    /** From when it counts, and what goes. */
    public String what() {
        return Texts.of("platform.privacy.retained-what", key());
    }

    static Optional<RetainedKind> find(String key) {
        return FilterValues.one(values(), key);
    }
}
