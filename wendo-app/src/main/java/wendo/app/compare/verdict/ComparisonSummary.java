package wendo.app.compare.verdict;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Judged;
import wendo.app.platform.site.Figures;
import wendo.core.measure.CostPer;
import wendo.core.outcomes.OutcomeKind;

/**
 * The sentence on top of a comparison. Groups with a target or a break-even earn or lose by it, one by one; those without
 * are searched for what is clearly above or below the average. The two never share a count.
 *
 * @param groups those that are named, under what they are named for
 * @param open for which it is too early, and what would settle them; empty text for none
 */
public record ComparisonSummary(String headline, List<Named> groups, String open, String detail) {
    private static final int MOST_NAMES = 5;

    /** Groups with their figures, such as those that earn. */
    public record Named(String label, String names) {}

    public static ComparisonSummary of(Comparison comparison, CompareChoice look, Figures figures) {
        OutcomeKind kind = look.kind();
        if (comparison.total().credited(kind).millionths() == 0) {
            return plain(
                    "No %s came in this period.".formatted(kind.key()), "Choose a longer period, or another outcome.");
        }
        if (comparison.grouping().isOfVisits()) {
            return RateSummary.of(comparison, kind, figures);
        }
        List<Judged> judged =
                comparison.judged(kind).stream().filter(Judged::isPossible).toList();
        if (judged.isEmpty()) {
            return plain(
                    "What a %s costs cannot be said yet.".formatted(kind.key()),
                    comparison.paid().isEmpty()
                            ? "No spend is entered for this period. Enter what each source cost under Spend."
                            : "The %s with spend brought no %s in this period."
                                    .formatted(comparison.grouping().plural(), kind.key()));
        }
        SummaryParts parts = SummaryParts.of(judged, comparison.grouping(), kind);
        return new ComparisonSummary(
                parts.headline(), parts.named(figures), parts.open(figures), detail(comparison, look, figures));
    }

    static ComparisonSummary plain(String headline, String detail) {
        return new ComparisonSummary(headline, List.of(), "", detail);
    }

    static String names(List<Judged> rows, Figures figures) {
        String named = rows.stream()
                .limit(MOST_NAMES)
                .map(one -> one.row().name() + cost(one.cost(), figures))
                .collect(Collectors.joining(", "));
        int more = rows.size() - MOST_NAMES;
        return more > 0 ? named + " and %d more".formatted(more) : named;
    }

    private static String cost(CostPer cost, Figures figures) {
        OptionalDouble value = cost.valueMinor();
        return value.isPresent() ? " " + figures.moneyShort(value.getAsDouble()) : " (none yet)";
    }

    private static String detail(Comparison comparison, CompareChoice look, Figures figures) {
        OptionalDouble average = comparison.averageCost(look.kind()).valueMinor();
        int paid = comparison.paid().size();
        Grouping grouping = comparison.grouping();
        String said = average.isEmpty()
                ? ""
                : "A %s costs %s on average over the %s with spend, by %s%s."
                        .formatted(
                                look.kind().key(),
                                figures.money(average.getAsDouble()),
                                paid == 1 ? "one " + grouping.noun() : paid + " " + grouping.plural(),
                                look.model().spoken(),
                                withUnpaid(comparison, look.kind(), average.getAsDouble(), figures));
        return (said + missing(comparison)).strip();
    }

    /** What the total's own figure says, which also counts outcomes that nothing was paid for. */
    private static String withUnpaid(Comparison comparison, OutcomeKind kind, double average, Figures figures) {
        OptionalDouble all = comparison.total().costPer(kind).valueMinor();
        return all.isEmpty() || figures.money(all.getAsDouble()).equals(figures.money(average))
                ? ""
                : " (%s with those of no known or no paid source)".formatted(figures.money(all.getAsDouble()));
    }

    /** Who has no cost because nobody entered what it cost. */
    private static String missing(Comparison comparison) {
        List<ComparedRow> unpaid = comparison.unpaid();
        if (unpaid.isEmpty() || comparison.grouping() == Grouping.MONTH) {
            return "";
        }
        String most = Optional.of(unpaid.get(0)).map(ComparedRow::name).orElseThrow();
        return unpaid.size() == 1
                ? " No spend is entered for %s, so it is not judged.".formatted(most)
                : " No spend is entered for %s and %d more, so they are not judged.".formatted(most, unpaid.size() - 1);
    }
}
