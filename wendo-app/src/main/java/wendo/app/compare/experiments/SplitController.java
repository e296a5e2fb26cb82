package wendo.app.compare.experiments;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;

/** Split tests: which of several pages does more with a link's people. */
@Controller
@RequestMapping("/compare/splits")
class SplitController {
    private static final int USUAL_LEAST = 25;
    private static final int MAX_LEAST = 500;

    private final SplitQueries queries;
    private final CompareFrame frame;

    SplitController(SplitQueries queries, CompareFrame frame) {
        this.queries = queries;
        this.frame = frame;
    }

    /** @param least the smallest difference that is worth finding, in per cent of the own page's rate */
    @GetMapping
    String page(
            @RequestParam(defaultValue = "25") String least,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        boolean isPercent =
                least.matches("\\d{1,3}") && Integer.parseInt(least) >= 1 && Integer.parseInt(least) <= MAX_LEAST;
        int percent = isPercent ? Integer.parseInt(least) : USUAL_LEAST;
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        model.addAttribute(
                "splits", Split.of(queries.ways(choice.period(), business.zone(), look.kind()), percent, figures));
        model.addAttribute("least", percent);
        model.addAttribute("isWrong", !isPercent);
        frame.addTo(model, look, choice);
        return "compare/experiments/splits";
    }
}
