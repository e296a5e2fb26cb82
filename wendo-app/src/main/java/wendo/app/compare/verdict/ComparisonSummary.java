package wendo.app.compare.verdict;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Judged;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CostPer;
import wendo.core.outcomes.OutcomeKind;

/**
 * What stands on top of a comparison: a sentence, and short groups of those that are earning, losing or need more data.
 * Groups with a limit or a break-even earn or lose by it, one by one; those without are searched for what is clearly above
 * or below the average. The two never share a count.
 */
public record ComparisonSummary(String headline, List<Named> groups, String detail) {
    private static final int MOST_NAMES = 6;

    /**
     * Those that one thing is said of.
     *
     * @param shape what they are drawn as
     * @param more how many others it is said of
     */
    public record Named(String shape, String label, List<One> ones, int more) {

        static Named of(String shape, String label, List<One> all) {
            return new Named(
                    shape, label, all.stream().limit(MOST_NAMES).toList(), Math.max(0, all.size() - MOST_NAMES));
        }

        /** In one line, for paper. */
        public String inLine() {
            String named =
                    ones.stream().map(one -> one.name() + " " + one.figure()).collect(Collectors.joining(", "));
            return more == 0 ? named : Texts.of("compare.verdict.names-and-more", named, more);
        }
    }

    /** One of them with its one figure. */
    public record One(String key, String name, String figure) {

        static One of(Judged judged, Figures figures) {
            return new One(judged.row().key(), judged.row().name(), cost(judged.cost(), figures));
        }

        private static String cost(CostPer cost, Figures figures) {
            OptionalDouble value = cost.valueMinor();
            return value.isPresent() ? figures.moneyShort(value.getAsDouble()) : Texts.of("compare.verdict.none-yet");
        }
    }

    public static ComparisonSummary of(Comparison comparison, CompareChoice look, Figures figures) {
        OutcomeKind kind = look.kind();
        if (comparison.total().credited(kind).millionths() == 0) {
            return plain(
                    Texts.of("compare.verdict.no-came-in-this-period", kind.key()),
                    Texts.of("compare.verdict.choose-a-longer-period-or"));
        }
        if (comparison.grouping().isOfVisits()) {
            return RateSummary.of(comparison, kind, figures);
        }
        List<Judged> judged =
                comparison.judged(kind).stream().filter(Judged::isPossible).toList();
        if (judged.isEmpty()) {
            return plain(
                    Texts.of("compare.verdict.what-a-costs-is-not", kind.key()),
                    comparison.paid().isEmpty()
                            ? Texts.of("compare.verdict.no-spend-is-entered-for")
                            : Texts.of(
                                    "compare.verdict.those-with-spend-brought-none",
                                    comparison.grouping().plural(),
                                    kind.key()));
        }
        SummaryParts parts = SummaryParts.of(judged, comparison.grouping(), kind);
        return new ComparisonSummary(parts.headline(), parts.named(figures), detail(comparison, look, figures));
    }

    static ComparisonSummary plain(String headline, String detail) {
        return new ComparisonSummary(headline, List.of(), detail);
    }

    private static String detail(Comparison comparison, CompareChoice look, Figures figures) {
        OptionalDouble average = comparison.averageCost(look.kind()).valueMinor();
        int paid = comparison.paid().size();
        Grouping grouping = comparison.grouping();
        String said = average.isEmpty()
                ? ""
                : Texts.of(
                        "compare.verdict.costs-on-average",
                        look.kind().key(),
                        figures.money(average.getAsDouble()),
                        paid,
                        paid == 1 ? grouping.noun() : grouping.plural(),
                        Texts.of("common.model-spoken", look.model().name()),
                        withUnpaid(comparison, look.kind(), average.getAsDouble(), figures));
        return (said + " " + missing(comparison)).strip();
    }

    /** What the total's own figure says, which also counts outcomes that nothing was paid for. */
    private static String withUnpaid(Comparison comparison, OutcomeKind kind, double average, Figures figures) {
        OptionalDouble all = comparison.total().costPer(kind).valueMinor();
        return all.isEmpty() || figures.money(all.getAsDouble()).equals(figures.money(average))
                ? ""
                : " " + Texts.of("compare.verdict.with-those-of-no-paid-source", figures.money(all.getAsDouble()));
    }

    /** Who has no cost because nobody entered what it cost. */
    private static String missing(Comparison comparison) {
        List<ComparedRow> unpaid = comparison.unpaid();
        return unpaid.isEmpty() || comparison.grouping() == Grouping.MONTH
                ? ""
                : Texts.of(
                        "compare.verdict.no-spend-entered-for",
                        unpaid.size() - 1,
                        unpaid.get(0).name());
    }
}
