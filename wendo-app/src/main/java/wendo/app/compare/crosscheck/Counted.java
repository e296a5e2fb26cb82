package wendo.app.compare.crosscheck;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What two systems count. */
enum Counted {
    VISIT,
    LEAD,
    BOOKING,
    PURCHASE;

    static Optional<Counted> find(String key) {
        return Stream.of(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String plural() {
        return key() + "s";
    }
}
