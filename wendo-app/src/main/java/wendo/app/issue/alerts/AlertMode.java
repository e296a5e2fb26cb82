package wendo.app.issue.alerts;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** How often somebody is told of a link's visits. */
public enum AlertMode {
    /** Of each visit; of several within a minute, once. */
    EACH("issue.alerts.each-visit"),
    /** Of the first, the 10th, the 100th and so on. */
    STEPS("issue.alerts.alert-mode.at-1-10-100");

    private final String label;

    AlertMode(String label) {
        this.label = label;
    }

    static Optional<AlertMode> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }

    /** Whether there is news for who was told of so many visits before. */
    boolean isDue(long told, long visits) {
        if (this == EACH) {
            return visits > told;
        }
        long step = 1;
        while (step <= told) {
            step *= 10;
        }
        return visits >= step;
    }
}
