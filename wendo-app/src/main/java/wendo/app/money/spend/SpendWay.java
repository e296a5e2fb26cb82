package wendo.app.money.spend;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How people know what something cost. */
enum SpendWay {
    LUMP("an amount for these days"),
    MONTH("an amount each month"),
    VISIT("a price for each visit");

    private final String label;

    SpendWay(String label) {
        this.label = label;
    }

    static Optional<SpendWay> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return label;
    }
}
