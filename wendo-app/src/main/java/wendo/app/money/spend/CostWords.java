package wendo.app.money.spend;

import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;

/** A cost as people say it. */
final class CostWords {
    private CostWords() {}

    static String of(Cost cost, Figures figures) {
        String amount = switch (cost.way()) {
            case LUMP -> figures.money(cost.amountMinor());
            case MONTH ->
                cost.amountMinor() == 0
                        ? Texts.of("money.spend.nothing-each-month")
                        : Texts.of("money.spend.each-month", figures.money(cost.amountMinor()));
            case VISIT -> Texts.of("money.spend.each-visit", figures.money(cost.price()));
        };
        String until = cost.lastDay()
                .map(last -> "%s – %s".formatted(figures.shortDay(cost.firstDay()), figures.day(last)))
                .orElseGet(() -> Texts.of("money.spend.from-on", figures.day(cost.firstDay())));
        String shared = cost.sharedBy()
                .map(rule -> Texts.of("money.spend.shared-by", rule.label()))
                .orElse("");
        return "%s, %s%s".formatted(amount, until, shared);
    }
}
