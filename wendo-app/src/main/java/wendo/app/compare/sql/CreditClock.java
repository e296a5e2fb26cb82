package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** The day that a credited outcome is counted on. */
public enum CreditClock {
    OUTCOME("compare.sql.credit-clock.the-day-of-the-outcome", "compare.sql.credit-clock.outcomes-count-on-their-own"),
    TOUCH("compare.sql.credit-clock.the-day-of-the-touch", "compare.sql.credit-clock.outcomes-count-on-the-touch"),
    ENTRY("compare.sql.credit-clock.the-day-it-became-known", "compare.sql.credit-clock.taken-back-on-its-day");

    private final String label;
    private final String rule;

    CreditClock(String label, String rule) {
        this.label = label;
        this.rule = rule;
    }

    public static Optional<CreditClock> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }

    public String rule() {
        return Texts.of(rule);
    }
}
