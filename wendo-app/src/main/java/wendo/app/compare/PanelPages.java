package wendo.app.compare;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** One source of a comparison: its funnel beside the rest, its credit under every model, its months, its outcomes. */
@Controller
@RequestMapping("/compare/sources/{id}")
class PanelPages {
    private static final int MAX_PAGE = 10_000;

    private final Comparisons comparisons;
    private final ModelQueries queries;
    private final Ribbons ribbons;

    PanelPages(Comparisons comparisons, ModelQueries queries, Ribbons ribbons) {
        this.comparisons = comparisons;
        this.queries = queries;
        this.ribbons = ribbons;
    }

    @GetMapping
    String page(
            @PathVariable UUID id,
            @RequestParam Optional<String> kind,
            @RequestParam("model") Optional<String> modelKey,
            @RequestParam Optional<String> clock,
            @RequestParam(defaultValue = "0") int page,
            PeriodChoice choice,
            Business business,
            Model model) {
        CompareChoice look = CompareChoice.of(kind, modelKey, clock);
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        ComparedSource row = comparison.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ModelView models = comparisons.models(comparison, choice.period(), business, look);
        int shown = Math.max(0, Math.min(page, MAX_PAGE));
        List<ModelQueries.Part> parts = queries.parts(id, choice.period(), business.zone(), look, shown);
        model.addAttribute("row", row);
        model.addAttribute("funnel", Funnel.of(row, comparison, figures));
        model.addAttribute("lines", ModelLine.of(models.bySource().get(id), figures));
        model.addAttribute("said", row.spendMinor().isPresent() ? models.said(id) : "Without spend nothing is judged.");
        model.addAttribute("months", queries.months(id, choice.period(), business.zone(), look));
        model.addAttribute("parts", parts);
        model.addAttribute("page", shown);
        model.addAttribute("pageSize", ModelQueries.PAGE);
        model.addAttribute("look", look);
        model.addAttribute("kinds", OutcomeKind.values());
        model.addAttribute("models", ModelName.values());
        model.addAttribute("clocks", CreditClock.values());
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        return "compare/panel";
    }
}
