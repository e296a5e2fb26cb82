package wendo.app.lead.leads;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How far a lead is. */
enum Stage {
    NEW,
    QUOTED,
    WON,
    LOST;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Optional<Stage> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public boolean isOver() {
        return this == WON || this == LOST;
    }
}
