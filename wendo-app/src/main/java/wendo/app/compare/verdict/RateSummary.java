package wendo.app.compare.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.EqualRates;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/** The sentence on top where no spend can be known: whose rate clearly differs from that of all others. */
public final class RateSummary {
    private static final double LEVEL = 0.05;

    private RateSummary() {}

    private record Tested(ComparedRow row, double own, double others, double pValue) {}

    public static ComparisonSummary of(Comparison comparison, OutcomeKind kind, Figures figures) {
        List<Tested> clear = clear(comparison, kind);
        List<Tested> more =
                clear.stream().filter(one -> one.own() > one.others()).toList();
        List<Tested> less =
                clear.stream().filter(one -> one.own() < one.others()).toList();
        return new ComparisonSummary(
                clear.isEmpty()
                        ? Texts.of(
                                "compare.verdict.no-rate-stands-out",
                                comparison.grouping().plural(),
                                kind.key())
                        : Texts.of(
                                "compare.verdict.rates-differ",
                                comparison.grouping().plural(),
                                kind.key()),
                Stream.of(
                                named("above", "compare.verdict.more-often", more, figures),
                                named("below", "compare.verdict.less-often", less, figures))
                        .filter(group -> !group.ones().isEmpty())
                        .toList(),
                Texts.of("compare.verdict.each-is-compared-with-all"));
    }

    private static ComparisonSummary.Named named(String shape, String label, List<Tested> rows, Figures figures) {
        return ComparisonSummary.Named.of(
                shape,
                Texts.of(label),
                rows.stream()
                        .map(one -> new ComparisonSummary.One(
                                one.row().key(), one.row().name(), figures.percent(one.own())))
                        .toList());
    }

    private static List<Tested> clear(Comparison comparison, OutcomeKind kind) {
        List<Tested> tested = new ArrayList<>();
        for (ComparedRow row : comparison.rows()) {
            Rate own = row.rate(kind);
            Rate others = others(comparison, row, kind);
            if (row.isGroup()) {
                EqualRates.pValue(own, others)
                        .ifPresent(p -> tested.add(new Tested(
                                row, own.value().orElse(0), others.value().orElse(0), p)));
            }
        }
        List<Double> adjusted =
                EqualRates.holm(tested.stream().map(Tested::pValue).toList());
        List<Tested> clear = new ArrayList<>();
        for (int i = 0; i < tested.size(); i++) {
            if (adjusted.get(i) < LEVEL) {
                clear.add(tested.get(i));
            }
        }
        return clear;
    }

    /** The rate of all other groups together. */
    public static Rate others(Comparison comparison, ComparedRow row, OutcomeKind kind) {
        List<ComparedRow> others = comparison.rows().stream()
                .filter(other -> other.isGroup() && !other.key().equals(row.key()))
                .toList();
        return new Rate(
                others.stream().mapToDouble(other -> other.rate(kind).part()).sum(),
                others.stream().mapToLong(ComparedRow::rateBase).sum());
    }
}
