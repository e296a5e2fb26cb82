package wendo.app.compare.crosscheck;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import wendo.app.platform.site.Texts;

/** What two systems count. */
enum Counted {
    VISIT("noun.visits"),
    LEAD("noun.leads"),
    BOOKING("noun.bookings"),
    PURCHASE("noun.purchases");

    private static final int MANY = 2;

    private final String text;

    Counted(String text) {
        this.text = text;
    }

    static Optional<Counted> find(String key) {
        return Stream.of(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String plural() {
        return noun(MANY);
    }

    /** The noun for a number of them. */
    String noun(long number) {
        return Texts.of(text, number);
    }
}
