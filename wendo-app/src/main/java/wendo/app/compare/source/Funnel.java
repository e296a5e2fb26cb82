package wendo.app.compare.source;

import java.util.ArrayList;
import java.util.List;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.verdict.RateSummary;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Rate;
import wendo.core.measure.RateDifference;
import wendo.core.outcomes.OutcomeKind;

/** How many of a source's people had an outcome, beside the people of all other sources. */
public record Funnel(List<Step> steps) {

    /**
     * One kind of outcome.
     *
     * @param own the source's rate
     * @param others that of all other sources together
     * @param words the difference and whether it is clear
     */
    public record Step(OutcomeKind kind, String number, String own, String others, String words) {}

    public static Funnel of(ComparedRow row, Comparison comparison, Figures figures) {
        List<Step> steps = new ArrayList<>();
        for (OutcomeKind kind : ComparedRow.kinds(OutcomeKind.LEAD, row)) {
            Rate own = row.rate(kind);
            Rate others = RateSummary.others(comparison, row, kind);
            steps.add(new Step(
                    kind,
                    figures.credit(row.credited(kind).number()),
                    shown(own, figures),
                    shown(others, figures),
                    RateDifference.of(own, others)
                            .map(difference -> words(difference, figures))
                            .orElse(Texts.of("compare.source.difference-unknown"))));
        }
        return new Funnel(List.copyOf(steps));
    }

    private static String shown(Rate rate, Figures figures) {
        return rate.value().isPresent() ? figures.percent(rate.value().getAsDouble()) : "–";
    }

    private static String words(RateDifference difference, Figures figures) {
        String range = Texts.of(
                "compare.source.to-points", figures.points(difference.low()), figures.points(difference.high()));
        if (!difference.isClear()) {
            return Texts.of("compare.source.could-be-the-same", range);
        }
        return Texts.of(
                difference.value() > 0 ? "compare.source.clearly-higher" : "compare.source.clearly-lower", range);
    }
}
