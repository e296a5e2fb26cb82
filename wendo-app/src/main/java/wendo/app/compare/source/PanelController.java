package wendo.app.compare.source;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.sql.ModelQueries;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.table.Judged;
import wendo.app.compare.table.ModelView;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** One group of a comparison: its funnel beside the rest, its credit under every model, its months, what came back. */
@Controller
@RequestMapping("/compare/one")
class PanelController {
    private final Comparisons comparisons;
    private final ModelQueries models;
    private final Returns returns;
    private final DataDrivenWords words;
    private final CompareFrame frame;

    PanelController(
            Comparisons comparisons, ModelQueries models, Returns returns, DataDrivenWords words, CompareFrame frame) {
        this.comparisons = comparisons;
        this.models = models;
        this.returns = returns;
        this.words = words;
        this.frame = frame;
    }

    record PanelPage(
            ComparedRow row,
            List<MadeOf> madeOf,
            Funnel funnel,
            List<ModelLine> lines,
            Judged judged,
            String settles,
            String said,
            List<ModelQueries.Month> months,
            String learned,
            Returns.Sheet returns,
            Comparison comparison) {}

    @GetMapping
    ModelAndView page(@RequestParam String key, CompareContext context) {
        Figures figures = context.figures();
        CompareChoice look = context.look();
        Comparison comparison = comparisons.compare(context.period(), context.business(), look);
        ComparedRow row = comparison
                .find(key)
                .filter(ComparedRow::isGroup)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ModelView view = comparisons.models(comparison, context.period(), context.business(), look);
        Judged judged = comparison.judged(row, look.kind());
        ModelAndView page = ViewRecord.of(
                "compare/source/panel",
                new PanelPage(
                        row,
                        MadeOf.of(row, figures),
                        Funnel.of(row, comparison, figures),
                        ModelLine.of(view.byKey().getOrDefault(key, Map.of()), look.kind(), figures),
                        judged,
                        judged.settles(figures),
                        judged.isPossible()
                                ? view.said(key)
                                : Texts.of("compare.source.nothing-is-judged-without-spend"),
                        models.months(key, context.period(), context.zone(), look),
                        words.of(
                                look.grouping() == Grouping.SOURCE ? row.source() : Optional.empty(),
                                look.kind(),
                                models.longTrails(context.period(), context.zone(), look),
                                figures),
                        returns.of(row, comparison, context),
                        comparison));
        return frame.around(page, context, key);
    }
}
