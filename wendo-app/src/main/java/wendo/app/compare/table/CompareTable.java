package wendo.app.compare.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import wendo.app.platform.site.Figures;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/** The comparison as it is drawn: each row with its rate and its cost on their intervals, and its verdict. */
public record CompareTable(List<Line> lines, Line total) {

    /**
     * A row as it is judged.
     *
     * @param settles what would settle the verdict; empty text when it is settled
     * @param change how it differs from the compared period, if there is one
     */
    record Line(
            ComparedRow row,
            String rate,
            String rateRange,
            Optional<Plot> ratePlot,
            String cost,
            String costRange,
            Optional<Plot> costPlot,
            Optional<Judged> judged,
            String against,
            String settles,
            Optional<Change> change) {}

    public static CompareTable of(
            Comparison comparison, OutcomeKind kind, Function<ComparedRow, Optional<Change>> changes, Figures figures) {
        List<ComparedRow> all = Stream.concat(comparison.rows().stream(), Stream.of(comparison.total()))
                .toList();
        List<Plot.Given> rates =
                all.stream().map(row -> rate(row, kind, figures)).toList();
        List<Plot.Given> costs =
                all.stream().map(row -> cost(row, kind, figures)).toList();
        Plot.Axis rateAxis = Plot.Axis.linear(rates);
        Plot.Axis costAxis = Plot.Axis.logarithmic(costs);
        OptionalDouble averageRate = rates.get(all.size() - 1).value();
        Map<String, Judged> byKey = comparison.judgedByKey(kind);
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            ComparedRow row = all.get(i);
            Judged judged = byKey.getOrDefault(row.key(), comparison.unjudged(row, kind));
            boolean isJudged = row.isGroup() && judged.isPossible();
            lines.add(new Line(
                    row,
                    rates.get(i).shown(),
                    rates.get(i).range(figures::percent),
                    Plot.of(rates.get(i), rateAxis, averageRate),
                    costs.get(i).shown(),
                    costs.get(i).range(figures::moneyShort),
                    Plot.of(costs.get(i), costAxis, held(judged)),
                    isJudged ? Optional.of(judged) : Optional.empty(),
                    isJudged ? judged.against(figures) : "",
                    isJudged ? judged.settles(figures) : "",
                    changes.apply(row)));
        }
        return new CompareTable(List.copyOf(lines.subList(0, all.size() - 1)), lines.get(all.size() - 1));
    }

    private static OptionalDouble held(Judged judged) {
        return judged.ceiling()
                .map(ceiling -> OptionalDouble.of(ceiling.minor()))
                .orElse(OptionalDouble.empty());
    }

    private static Plot.Given rate(ComparedRow row, OutcomeKind kind, Figures figures) {
        OptionalDouble value = row.rate(kind).value();
        Optional<Interval> interval = row.rate(kind).interval();
        String shown = value.isPresent() ? figures.percent(value.getAsDouble()) : "–";
        String words = interval.map(bounds -> "%s: %s ÷ %s; 95 %% interval %s to %s"
                        .formatted(
                                shown,
                                figures.decimal(row.rate(kind).part()),
                                figures.count(row.rateBase()),
                                figures.percent(bounds.low()),
                                figures.percent(bounds.high())))
                .orElse("no rate");
        return new Plot.Given(value, interval, shown, words);
    }

    private static Plot.Given cost(ComparedRow row, OutcomeKind kind, Figures figures) {
        return Plot.Given.ofCost(row.costPer(kind), figures);
    }
}
