package wendo.app.compare.report;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.compare.experiments.Pairs;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CampaignMonthQueries;
import wendo.app.compare.table.CampaignMonths;
import wendo.app.compare.table.Change;
import wendo.app.compare.table.CompareTable;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.verdict.ComparisonSummary;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** What a page that shows a comparison is filled with, for whoever reads it. */
@Component
class ReportContent {
    private final Comparisons comparisons;
    private final CampaignMonthQueries months;

    ReportContent(Comparisons comparisons, CampaignMonthQueries months) {
        this.comparisons = comparisons;
        this.months = months;
    }

    /** The sentence and the table. */
    Map<String, Object> table(CompareChoice look, PeriodChoice choice, Business business) {
        return table(comparisons.compare(choice.period(), business, look), look, choice, business);
    }

    private Map<String, Object> table(
            Comparison comparison, CompareChoice look, PeriodChoice choice, Business business) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Map<String, Object> content = new HashMap<>();
        content.put("comparison", comparison);
        content.put(
                "depending",
                comparisons.models(comparison, choice.period(), business, look).depending(comparison));
        content.put("table", table(comparison, look, choice.period(), business, figures));
        content.put("answer", ComparisonSummary.of(comparison, look, figures));
        content.put("look", look);
        content.put("kinds", OutcomeKind.values());
        content.put("choice", choice);
        return content;
    }

    private CompareTable table(
            Comparison comparison, CompareChoice look, Period period, Business business, Figures figures) {
        Optional<Period> then = look.comparedWith().period(period);
        Optional<Comparison> before = then.map(days -> comparisons.compare(days, business, look));
        return CompareTable.of(
                comparison,
                look.kind(),
                row -> before.map(was -> Change.of(
                        row,
                        period,
                        row.key().equals(ComparedRow.TOTAL) ? Optional.of(was.total()) : was.find(row.key()),
                        then.orElseThrow(),
                        look.kind(),
                        figures)),
                figures);
    }

    /** What the chosen sections of a report need. */
    Map<String, Object> report(
            List<ReportSection> sections, CompareChoice look, PeriodChoice choice, Business business) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        Map<String, Object> content = table(comparison, look, choice, business);
        content.put("figures", figures);
        content.put("sections", sections.stream().map(ReportSection::key).toList());
        content.put("pairs", Pairs.of(comparison, look.kind(), figures));
        content.put("groups", Pairs.comparable(comparison));
        content.put(
                "months",
                CampaignMonths.of(
                        months.cells(choice.period(), business.zone(), look.with(Grouping.CAMPAIGN)), choice.period()));
        return content;
    }
}
