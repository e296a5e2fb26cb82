package wendo.app.compare.experiments;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.EqualRates;
import wendo.core.measure.RateDifference;
import wendo.core.outcomes.OutcomeKind;

/**
 * All pairs of the groups with most people, whose rates differ clearly, with Holm's correction for their number.
 *
 * @param tested how many pairs there are
 */
public record Pairs(List<Clear> clear, int tested) {
    /** With the pairs of more groups, the correction would leave nothing to find. */
    private static final int MOST_GROUPS = 12;

    private static final double LEVEL = 0.05;

    /** A pair that differs: the one with the greater rate first. */
    record Clear(ComparedRow more, ComparedRow less, String difference, String pValue) {}

    private record Tested(ComparedRow one, ComparedRow other, double pValue) {}

    /** Groups with people, most first. */
    public static List<ComparedRow> comparable(Comparison comparison) {
        return comparison.rows().stream()
                .filter(row -> row.isGroup() && row.rateBase() > 0)
                .sorted(Comparator.comparingLong(ComparedRow::rateBase).reversed())
                .toList();
    }

    public static Pairs of(Comparison comparison, OutcomeKind kind, Figures figures) {
        List<Tested> tested = tested(comparable(comparison), kind);
        List<Double> adjusted =
                EqualRates.holm(tested.stream().map(Tested::pValue).toList());
        List<Clear> clear = new ArrayList<>();
        for (int i = 0; i < tested.size(); i++) {
            if (adjusted.get(i) < LEVEL) {
                clear.add(clear(tested.get(i), adjusted.get(i), kind, figures));
            }
        }
        return new Pairs(List.copyOf(clear), tested.size());
    }

    private static List<Tested> tested(List<ComparedRow> groups, OutcomeKind kind) {
        List<Tested> tested = new ArrayList<>();
        for (int i = 0; i < Math.min(groups.size(), MOST_GROUPS); i++) {
            for (int j = i + 1; j < Math.min(groups.size(), MOST_GROUPS); j++) {
                ComparedRow one = groups.get(i);
                ComparedRow other = groups.get(j);
                EqualRates.pValue(one.rate(kind), other.rate(kind))
                        .ifPresent(p -> tested.add(new Tested(one, other, p)));
            }
        }
        return tested;
    }

    private static Clear clear(Tested tested, double pValue, OutcomeKind kind, Figures figures) {
        boolean isFirst = tested.one().rate(kind).value().orElseThrow()
                > tested.other().rate(kind).value().orElseThrow();
        ComparedRow more = isFirst ? tested.one() : tested.other();
        ComparedRow less = isFirst ? tested.other() : tested.one();
        RateDifference difference =
                RateDifference.of(more.rate(kind), less.rate(kind)).orElseThrow();
        return new Clear(
                more,
                less,
                Texts.of(
                        "compare.experiments.to-points",
                        figures.decimal(100 * difference.low()),
                        figures.decimal(100 * difference.high())),
                pValue < 0.001 ? "under 0.001" : figures.decimal3(pValue));
    }
}
