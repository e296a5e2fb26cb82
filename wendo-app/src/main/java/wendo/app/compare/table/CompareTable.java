package wendo.app.compare.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import wendo.app.compare.sql.CompareOrder;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/**
 * The comparison as it is drawn: each row with its rate and its cost on their intervals, and its verdict.
 *
 * @param empty the names of the groups that nobody came by, nothing was spent on and nothing came of, once they are folded
 */
public record CompareTable(List<Line> lines, List<String> empty, Line total) {

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

    public List<OutcomeKind> kinds(OutcomeKind asked) {
        return ComparedRow.kinds(asked, total.row());
    }

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
        return new CompareTable(List.copyOf(lines.subList(0, all.size() - 1)), List.of(), lines.get(all.size() - 1));
    }

    /** The same with its empty groups in one line. */
    public CompareTable folded() {
        return new CompareTable(
                lines.stream().filter(line -> !isEmpty(line.row())).toList(),
                lines.stream()
                        .map(Line::row)
                        .filter(CompareTable::isEmpty)
                        .map(ComparedRow::name)
                        .toList(),
                total);
    }

    private static boolean isEmpty(ComparedRow row) {
        return row.isGroup()
                && row.visits() == 0
                && row.spendMinor().orElse(0L) == 0
                && row.credited().values().stream().allMatch(had -> had.millionths() == 0);
    }

    /** The same, its rows sorted; what belongs to no group stays last. */
    public CompareTable sorted(CompareOrder order, OutcomeKind kind) {
        return new CompareTable(lines.stream().sorted(LineOrder.of(order, kind)).toList(), empty, total);
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
        String words = interval.map(bounds -> Texts.of(
                        "compare.table.rate-with-interval",
                        shown,
                        figures.decimal(row.rate(kind).part()),
                        figures.count(row.rateBase()),
                        figures.percent(bounds.low()),
                        figures.percent(bounds.high())))
                .orElse(Texts.of("compare.table.no-rate"));
        return new Plot.Given(value, interval, shown, words);
    }

    private static Plot.Given cost(ComparedRow row, OutcomeKind kind, Figures figures) {
        return Plot.Given.ofCost(row.costPer(kind), figures);
    }
}
