package wendo.app.compare.report;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.compare.experiments.Pairs;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareOrder;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CampaignMonthQueries;
import wendo.app.compare.table.CampaignMonths;
import wendo.app.compare.table.Change;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareTable;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.verdict.ComparisonSummary;
import wendo.app.compare.verdict.CostPicture;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.ViewRecord;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** The view of a comparison that its page, its file and a shared report are made from. */
@Component
class ReportContent {
    private final Comparisons comparisons;
    private final CampaignMonthQueries months;

    ReportContent(Comparisons comparisons, CampaignMonthQueries months) {
        this.comparisons = comparisons;
        this.months = months;
    }

    /** The sentence and the table. */
    record Table(
            Comparison comparison,
            List<String> depending,
            CompareTable table,
            ComparisonSummary answer,
            CostPicture costs,
            CompareChoice look,
            PeriodChoice choice) {
        Table folded() {
            return new Table(comparison, depending, table.folded(), answer, costs, look, choice);
        }
    }

    /** What the other sections of a report show. */
    record Sections(
            Figures figures, List<String> sections, Pairs pairs, List<ComparedRow> groups, CampaignMonths months) {}

    Table table(CompareContext context) {
        return table(compare(context), context);
    }

    /** The same for a screen, without the rows that are empty in every column. */
    Table folded(CompareContext context) {
        return table(context).folded();
    }

    private Comparison compare(CompareContext context) {
        return comparisons.compare(context.period(), context.business(), context.look());
    }

    private Table table(Comparison comparison, CompareContext context) {
        return new Table(
                comparison,
                comparisons
                        .models(comparison, context.period(), context.business(), context.look())
                        .depending(comparison),
                sorted(compareTable(comparison, context), context.look()),
                ComparisonSummary.of(comparison, context.look(), context.figures()),
                CostPicture.of(comparison, context.look().kind(), context.figures()),
                context.look(),
                context.choice());
    }

    /** Months stand in their order until somebody sorts them otherwise. */
    private static CompareTable sorted(CompareTable table, CompareChoice look) {
        return look.grouping() == Grouping.MONTH && look.order().equals(CompareOrder.USUAL)
                ? table
                : table.sorted(look.order(), look.kind());
    }

    private CompareTable compareTable(Comparison comparison, CompareContext context) {
        OutcomeKind kind = context.look().kind();
        Figures figures = context.figures();
        Optional<Period> then = context.look().comparedWith().period(context.period());
        Optional<Comparison> before = then.map(days -> comparisons.compare(days, context.business(), context.look()));
        return CompareTable.of(
                comparison,
                kind,
                row -> before.map(was -> Change.of(
                        new Change.Then(row, context.period()),
                        new Change.Then(
                                (row.key().equals(ComparedRow.TOTAL) ? Optional.of(was.total()) : was.find(row.key()))
                                        .orElseGet(row::withNothing),
                                then.orElseThrow()),
                        kind,
                        figures)),
                figures);
    }

    /** What the chosen sections of a report need, by the names that its template knows. */
    Map<String, Object> report(List<ReportSection> sections, CompareContext context) {
        Comparison comparison = compare(context);
        Map<String, Object> content =
                new HashMap<>(ViewRecord.values(table(comparison, context).folded()));
        content.putAll(ViewRecord.values(new Sections(
                context.figures(),
                sections.stream().map(ReportSection::key).toList(),
                Pairs.of(comparison, context.look().kind(), context.figures()),
                Pairs.comparable(comparison),
                CampaignMonths.of(
                        months.cells(
                                context.period(), context.zone(), context.look().with(Grouping.CAMPAIGN)),
                        context.period()))));
        return content;
    }
}
