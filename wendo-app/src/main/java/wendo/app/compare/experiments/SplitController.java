package wendo.app.compare.experiments;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.sql.Revenue;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.site.ViewRecord;

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

    /** @param byIncome judged by what networks pay, not by outcomes */
    record SplitsPage(List<Split> splits, int least, boolean isWrong, boolean byIncome) {}

    /** @param least the smallest difference that is worth finding, in per cent of the own page's rate */
    @GetMapping
    ModelAndView page(@RequestParam(defaultValue = "25") String least, CompareContext context) {
        boolean isPercent =
                least.matches("\\d{1,3}") && Integer.parseInt(least) >= 1 && Integer.parseInt(least) <= MAX_LEAST;
        int percent = isPercent ? Integer.parseInt(least) : USUAL_LEAST;
        boolean byIncome = context.look().revenue() == Revenue.INCOME;
        List<Split> splits = byIncome
                ? EarningSplit.of(queries.earning(context.period(), context.zone()), percent, context.figures())
                : Split.of(
                        queries.ways(
                                context.period(), context.zone(), context.look().kind()),
                        percent,
                        context.figures());
        return frame.around(
                ViewRecord.of("compare/experiments/splits", new SplitsPage(splits, percent, !isPercent, byIncome)),
                context);
    }
}
