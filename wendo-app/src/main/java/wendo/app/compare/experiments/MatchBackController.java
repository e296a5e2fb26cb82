package wendo.app.compare.experiments;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.audience.mailings.MatchBackQueries;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.site.ViewRecord;

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

    record MailingsPage(List<MatchBack> mailings, int days, boolean isWrong) {}

    /** @param days after a list's links were made in which an outcome counts */
    @GetMapping
    ModelAndView page(@RequestParam(defaultValue = "30") String days, CompareContext context) {
        boolean isRight = days.matches("\\d{1,3}") && Integer.parseInt(days) >= 1 && Integer.parseInt(days) <= MAX_DAYS;
        int window = isRight ? Integer.parseInt(days) : USUAL_DAYS;
        List<MatchBack> mailings = queries.lists(context.look().kind(), window).stream()
                .map(mailing -> MatchBack.of(mailing, context.figures()))
                .toList();
        return frame.around(
                ViewRecord.of("compare/experiments/lists", new MailingsPage(mailings, window, !isRight)), context);
    }
}
