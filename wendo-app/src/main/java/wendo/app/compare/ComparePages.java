package wendo.app.compare;

import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.core.measure.Period;

/** Groups side by side. */
@Controller
@RequestMapping("/compare")
class ComparePages {
    private final Comparisons comparisons;
    private final CompareFrame frame;

    ComparePages(Comparisons comparisons, CompareFrame frame) {
        this.comparisons = comparisons;
        this.frame = frame;
    }

    @GetMapping
    String page(CompareChoice look, PeriodChoice choice, Business business, Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        model.addAttribute(
                "depending",
                comparisons.models(comparison, choice.period(), business, look).depending(comparison));
        model.addAttribute("comparison", comparison);
        model.addAttribute(
                "table",
                CompareTable.of(comparison, look.kind(), changes(look, choice.period(), business, figures), figures));
        model.addAttribute("answer", Answer.of(comparison, look, figures));
        frame.addTo(model, look, choice);
        return "compare/page";
    }

    private Function<ComparedRow, Optional<Change>> changes(
            CompareChoice look, Period period, Business business, Figures figures) {
        Optional<Period> then = look.comparedWith().period(period);
        if (then.isEmpty()) {
            return row -> Optional.empty();
        }
        Comparison before = comparisons.compare(then.get(), business, look);
        return row -> Optional.of(Change.of(
                row,
                period,
                row.key().equals(ComparedRow.TOTAL) ? Optional.of(before.total()) : before.find(row.key()),
                then.get(),
                look.kind(),
                figures));
    }
}
