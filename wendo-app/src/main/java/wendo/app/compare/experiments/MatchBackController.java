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

/** Mailing lists: who of them acted, by whatever they came, and what those who got nothing did. */
@Controller
@RequestMapping("/compare/lists")
class MatchBackController {
    private static final int USUAL_DAYS = 30;
    private static final int MAX_DAYS = 365;

    private final MatchBackQueries queries;
    private final CompareFrame frame;

    MatchBackController(MatchBackQueries queries, CompareFrame frame) {
        this.queries = queries;
        this.frame = frame;
    }

    /** @param days after a list's links were made in which an outcome counts */
    @GetMapping
    String page(
            @RequestParam(defaultValue = "30") String days,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        boolean isRight = days.matches("\\d{1,3}") && Integer.parseInt(days) >= 1 && Integer.parseInt(days) <= MAX_DAYS;
        int window = isRight ? Integer.parseInt(days) : USUAL_DAYS;
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        model.addAttribute(
                "mailings",
                queries.mailings(look.kind(), window).stream()
                        .map(mailing -> MatchBack.of(mailing, figures))
                        .toList());
        model.addAttribute("days", window);
        model.addAttribute("isWrong", !isRight);
        frame.addTo(model, look, choice);
        return "compare/experiments/lists";
    }
}
