package wendo.app.compare.source;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import wendo.app.compare.table.ComparedRow;
import wendo.app.platform.site.Figures;
import wendo.core.measure.CostPer;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/** A figure and what it is made of: its numerator over its denominator, in words. */
record MadeOf(String name, String shown, String numerator, String denominator, String leftOut) {

    static List<MadeOf> of(ComparedRow row, Figures figures) {
        List<MadeOf> all = new ArrayList<>();
        for (OutcomeKind kind : OutcomeKind.values()) {
            all.add(rate(row, kind, figures));
        }
        for (OutcomeKind kind : OutcomeKind.values()) {
            CostPer cost = row.costPer(kind);
            all.add(new MadeOf(
                    "Cost per " + kind.key(),
                    cost.valueMinor().isPresent()
                            ? figures.money(cost.valueMinor().getAsDouble())
                            : "–",
                    row.spendMinor()
                            .map(minor -> figures.money(minor) + " spend")
                            .orElse("no spend entered"),
                    counted(cost.count().value(), kind, figures),
                    ""));
        }
        return List.copyOf(all);
    }

    private static MadeOf rate(ComparedRow row, OutcomeKind kind, Figures figures) {
        Rate rate = row.rate(kind);
        double left = row.credited(kind).count().value() - rate.part();
        return new MadeOf(
                kind.key().substring(0, 1).toUpperCase(Locale.ROOT) + kind.key().substring(1) + " rate",
                rate.value().isPresent() ? figures.percent(rate.value().getAsDouble()) : "–",
                counted(rate.part(), kind, figures),
                figures.count(row.rateBase()) + (row.rateBase() == row.people() ? " people" : " visits"),
                left > 0.005
                        ? "%s more came by a code, a report or somebody’s word, without a visit"
                                .formatted(figures.decimal(left))
                        : "");
    }

    private static String counted(double number, OutcomeKind kind, Figures figures) {
        return figures.decimal(number) + " " + kind.key() + (number == 1 ? "" : "s");
    }
}
