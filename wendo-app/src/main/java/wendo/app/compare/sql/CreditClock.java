package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The day that a credited outcome is counted on. */
public enum CreditClock {
    OUTCOME("the day of the outcome", "Outcomes count on their own day; what is taken back goes off that day."),
    TOUCH(
            "the day of the touch",
            "Outcomes count on the day of the touch that earned them, so a visit and what came of it stand in one period."),
    ENTRY(
            "the day it became known",
            "Outcomes count on their own day; what is taken back goes off the day it was taken back, so past periods stay as they were.");

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
        return label;
    }

    public String rule() {
        return rule;
    }
}
