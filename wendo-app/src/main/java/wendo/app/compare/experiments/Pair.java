package wendo.app.compare.experiments;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Plot;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CostPer;
import wendo.core.measure.CountRatio;
import wendo.core.measure.EqualRates;
import wendo.core.measure.Rate;
import wendo.core.measure.RateDifference;
import wendo.core.outcomes.OutcomeKind;

/** Two groups, measure by measure. */
record Pair(List<Measure> measures) {
    private static final double LEVEL = 0.05;

    /**
     * A measure of both.
     *
     * @param difference how the first differs from the second, with its 95 % interval
     * @param isClear whether that could not be chance
     */
    record Measure(String name, String first, String second, String difference, boolean isClear) {}

    static Pair of(ComparedRow first, ComparedRow second, Figures figures) {
        List<Measure> measures = new ArrayList<>();
        List<OptionalDouble> pValues = new ArrayList<>();
        List<OutcomeKind> kinds = ComparedRow.kinds(OutcomeKind.LEAD, first, second);
        for (OutcomeKind kind : kinds) {
            pValues.add(EqualRates.pValue(first.rate(kind), second.rate(kind)));
        }
        List<Double> adjusted = EqualRates.holm(pValues.stream()
                .map(one -> one.isPresent() ? one.getAsDouble() : 1.0)
                .toList());
        for (OutcomeKind kind : kinds) {
            boolean isClear = adjusted.get(kind.ordinal()) < LEVEL;
            measures.add(rate(kind, new Rates(first.rate(kind), second.rate(kind)), isClear, figures));
        }
        for (OutcomeKind kind : kinds) {
            measures.add(cost(kind, first.costPer(kind), second.costPer(kind), figures));
        }
        return new Pair(List.copyOf(measures));
    }

    private record Rates(Rate first, Rate second) {}

    private static Measure rate(OutcomeKind kind, Rates rates, boolean isClear, Figures figures) {
        Optional<RateDifference> difference = RateDifference.of(rates.first(), rates.second());
        return new Measure(
                Texts.of("compare.experiments.rate-of", kind.key()),
                shown(rates.first(), figures),
                shown(rates.second(), figures),
                difference
                        .map(one -> Texts.of(
                                "compare.experiments.to-points", figures.points(one.low()), figures.points(one.high())))
                        .orElse(Texts.of("compare.experiments.difference-unknown")),
                isClear);
    }

    private static Measure cost(OutcomeKind kind, CostPer first, CostPer second, Figures figures) {
        Optional<CountRatio> ratio = CountRatio.ofCosts(first, second);
        return new Measure(
                Texts.of("compare.experiments.cost-per", kind.key()),
                Plot.Given.ofCost(first, figures).shown(),
                Plot.Given.ofCost(second, figures).shown(),
                ratio.map(one -> times(one, figures)).orElse(Texts.of("compare.experiments.difference-unknown")),
                ratio.map(CountRatio::isClear).orElse(false));
    }

    private static String times(CountRatio ratio, Figures figures) {
        return Double.isInfinite(ratio.high())
                ? Texts.of("compare.experiments.at-least-times-as-much", figures.decimal(ratio.low()))
                : Texts.of(
                        "compare.experiments.to-times-as-much",
                        figures.decimal(ratio.low()),
                        figures.decimal(ratio.high()));
    }

    static String shown(Rate rate, Figures figures) {
        return rate.value().isPresent()
                ? figures.percent(rate.value().getAsDouble())
                        + rate.interval()
                                .map(one -> Texts.of(
                                        "compare.experiments.to-2",
                                        figures.percent(one.low()),
                                        figures.percent(one.high())))
                                .orElse("")
                : "–";
    }
}
