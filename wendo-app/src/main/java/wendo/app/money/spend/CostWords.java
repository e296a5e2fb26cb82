package wendo.app.money.spend;

import wendo.app.platform.site.Figures;

/** A cost as people say it. */
final class CostWords {
    private CostWords() {}

    static String of(Cost cost, Figures figures) {
        String amount = switch (cost.way()) {
            case LUMP -> figures.money(cost.amountMinor());
            case MONTH -> cost.amountMinor() == 0 ? "nothing" : figures.money(cost.amountMinor()) + " each month";
            case VISIT -> figures.money(cost.price()) + " for each visit";
        };
        String until = cost.lastDay()
                .map(last -> "%s – %s".formatted(figures.shortDay(cost.firstDay()), figures.day(last)))
                .orElseGet(() -> "from " + figures.day(cost.firstDay()) + " on");
        String shared = cost.sharedBy().map(rule -> ", shared " + rule.label()).orElse("");
        return "%s, %s%s".formatted(amount, until, shared);
    }
}
