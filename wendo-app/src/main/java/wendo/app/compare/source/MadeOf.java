package wendo.app.compare.source;

import java.util.ArrayList;
import java.util.List;
import wendo.app.compare.table.ComparedRow;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CostPer;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/** A figure and what it is made of: its numerator over its denominator, in words. */
record MadeOf(String name, String shown, String numerator, String denominator, String leftOut) {

    static List<MadeOf> of(ComparedRow row, Figures figures) {
        List<MadeOf> all = new ArrayList<>();
        for (OutcomeKind kind : ComparedRow.kinds(OutcomeKind.LEAD, row)) {
            all.add(rate(row, kind, figures));
        }
        for (OutcomeKind kind : ComparedRow.kinds(OutcomeKind.LEAD, row)) {
            CostPer cost = row.costPer(kind);
            all.add(new MadeOf(
                    Texts.of("compare.source.cost-per", kind.key()),
                    cost.valueMinor().isPresent()
                            ? figures.money(cost.valueMinor().getAsDouble())
                            : "–",
                    row.spendMinor()
                            .map(minor -> Texts.of("compare.source.spend", figures.money(minor)))
                            .orElse(Texts.of("compare.source.no-spend-entered")),
                    counted(cost.count().value(), kind, figures),
                    ""));
        }
        return List.copyOf(all);
    }

    private static MadeOf rate(ComparedRow row, OutcomeKind kind, Figures figures) {
        Rate rate = row.rate(kind);
        double left = row.credited(kind).count().value() - rate.part();
        return new MadeOf(
                Texts.of("compare.source.rate", kind.key()),
                rate.value().isPresent() ? figures.percent(rate.value().getAsDouble()) : "–",
                counted(rate.part(), kind, figures),
                row.rateBase() == row.people()
                        ? figures.counted(row.rateBase(), "count.people")
                        : figures.counted(row.rateBase(), "count.visits"),
                left > 0.005 ? Texts.of("compare.source.more-came-by-a-code", figures.decimal(left)) : "");
    }

    private static String counted(double number, OutcomeKind kind, Figures figures) {
        return Texts.of("compare.source.counted-outcomes", number, figures.decimal(number), kind.key());
    }
}
