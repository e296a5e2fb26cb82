package wendo.app.money.spend;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** How people know what something cost. */
enum SpendWay {
    LUMP("money.spend.spend-way.amount-for-these-days"),
    MONTH("money.spend.spend-way.amount-per-month"),
    VISIT("money.spend.spend-way.price-per-visit");

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
        return Texts.of(label);
    }
}
