package wendo.app.compare;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import wendo.app.site.Figures;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/** The comparison as it is drawn: each row with the plots of its rates and costs. */
record CompareTable(List<Line> lines, Line total) {

    /** A row and, for each kind of outcome, its rate and its cost on their intervals. */
    record Line(ComparedSource source, Map<OutcomeKind, Cell> cells) {}

    record Cell(String rate, Optional<Plot> ratePlot, String cost, Optional<Plot> costPlot) {}

    static CompareTable of(Comparison comparison, Figures figures) {
        List<ComparedSource> all = Stream.concat(comparison.rows().stream(), Stream.of(comparison.total()))
                .toList();
        List<Map<OutcomeKind, Cell>> cells = new ArrayList<>();
        all.forEach(row -> cells.add(new EnumMap<>(OutcomeKind.class)));
        for (OutcomeKind kind : OutcomeKind.values()) {
            List<Plot.Given> rates =
                    all.stream().map(row -> rate(row, kind, figures)).toList();
            List<Plot.Given> costs =
                    all.stream().map(row -> cost(row, kind, figures)).toList();
            Plot.Axis rateAxis = Plot.Axis.linear(rates);
            Plot.Axis costAxis = Plot.Axis.logarithmic(costs);
            OptionalDouble averageRate = rates.get(all.size() - 1).value();
            OptionalDouble averageCost = comparison.averageCost(kind).valueMinor();
            for (int i = 0; i < all.size(); i++) {
                Cell cell = new Cell(
                        rates.get(i).shown(),
                        Plot.of(rates.get(i), rateAxis, averageRate),
                        costs.get(i).shown(),
                        Plot.of(costs.get(i), costAxis, averageCost));
                cells.get(i).put(kind, cell);
            }
        }
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            lines.add(new Line(all.get(i), cells.get(i)));
        }
        return new CompareTable(List.copyOf(lines.subList(0, all.size() - 1)), lines.get(all.size() - 1));
    }

    private static Plot.Given rate(ComparedSource row, OutcomeKind kind, Figures figures) {
        OptionalDouble value = row.rate(kind).value();
        // What came from nowhere known adds to the total's outcomes, but has no people; no rate can be made of both.
        Optional<Interval> interval = row.rate(kind).interval();
        String shown = value.isPresent() ? figures.percent(value.getAsDouble()) : "–";
        String words = interval.map(bounds -> "%s of people; 95 %% interval %s to %s"
                        .formatted(shown, figures.percent(bounds.low()), figures.percent(bounds.high())))
                .orElse("no rate");
        return new Plot.Given(value, interval, shown, words);
    }

    private static Plot.Given cost(ComparedSource row, OutcomeKind kind, Figures figures) {
        OptionalDouble value = row.costPer(kind).valueMinor();
        Optional<Interval> interval = row.costPer(kind).intervalMinor();
        String shown = value.isPresent()
                ? figures.moneyShort(value.getAsDouble())
                : interval.map(bounds -> "over " + figures.moneyShort(bounds.low()))
                        .orElse("–");
        String words = interval.map(bounds -> Double.isFinite(bounds.high())
                        ? "%s each; 95 %% interval %s to %s"
                                .formatted(shown, figures.money(bounds.low()), figures.money(bounds.high()))
                        : "none yet, so more than %s each (95 %%)".formatted(figures.money(bounds.low())))
                .orElse("no cost: no spend is entered");
        return new Plot.Given(value, interval, shown, words);
    }
}
