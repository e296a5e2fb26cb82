package wendo.app.compare.source;

import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.sql.ModelQueries;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.table.Judged;
import wendo.app.compare.table.ModelView;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;

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

    @GetMapping
    String page(@RequestParam String key, CompareChoice look, PeriodChoice choice, Business business, Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        ComparedRow row = comparison
                .find(key)
                .filter(ComparedRow::isGroup)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ModelView view = comparisons.models(comparison, choice.period(), business, look);
        Judged judged = comparison.judged(row, look.kind());
        model.addAttribute("row", row);
        model.addAttribute("madeOf", MadeOf.of(row, figures));
        model.addAttribute("funnel", Funnel.of(row, comparison, figures));
        model.addAttribute("lines", ModelLine.of(view.byKey().getOrDefault(key, Map.of()), look.kind(), figures));
        model.addAttribute("judged", judged);
        model.addAttribute("settles", judged.settles(figures));
        model.addAttribute("said", judged.isPossible() ? view.said(key) : "Without spend nothing is judged.");
        model.addAttribute("months", models.months(key, choice.period(), business.zone(), look));
        model.addAttribute(
                "learned",
                words.of(
                        look.grouping() == Grouping.SOURCE ? row.source() : Optional.empty(),
                        look.kind(),
                        models.longTrails(choice.period(), business.zone(), look),
                        figures));
        model.addAttribute("returns", returns.of(row, comparison, look, choice.period(), business, figures));
        model.addAttribute("comparison", comparison);
        frame.addTo(model, look, choice, key);
        return "compare/source/panel";
    }
}
