package wendo.app.compare;

import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** Sources side by side. */
@Controller
@RequestMapping("/compare")
class ComparePages {
    private final Comparisons comparisons;
    private final Ribbons ribbons;

    ComparePages(Comparisons comparisons, Ribbons ribbons) {
        this.comparisons = comparisons;
        this.ribbons = ribbons;
    }

    @GetMapping
    String page(
            @RequestParam Optional<String> kind,
            @RequestParam("model") Optional<String> modelKey,
            @RequestParam Optional<String> clock,
            PeriodChoice choice,
            Business business,
            Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        CompareChoice look = CompareChoice.of(kind, modelKey, clock);
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        model.addAttribute(
                "depending",
                comparisons.models(comparison, choice.period(), business, look).depending(comparison));
        model.addAttribute("look", look);
        model.addAttribute("kinds", OutcomeKind.values());
        model.addAttribute("models", ModelName.values());
        model.addAttribute("clocks", CreditClock.values());
        model.addAttribute("comparison", comparison);
        model.addAttribute("table", CompareTable.of(comparison, figures));
        model.addAttribute("answer", Answer.of(comparison, look, figures));
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        return "compare/page";
    }
}
