package wendo.app.compare;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.business.Business;
import wendo.app.site.PeriodChoice;
import wendo.core.outcomes.OutcomeKind;

/** What stands behind a number: the outcomes or visits that add up to it. */
@Controller
@RequestMapping("/compare/behind")
class BehindPages {
    private static final int MAX_PAGE = 100_000;
    private static final String REVENUE = "revenue";

    private final Comparisons comparisons;
    private final BehindQueries queries;
    private final CompareFrame frame;

    BehindPages(Comparisons comparisons, BehindQueries queries, CompareFrame frame) {
        this.comparisons = comparisons;
        this.queries = queries;
        this.frame = frame;
    }

    @GetMapping("/visits")
    String visits(
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        int shown = Math.max(0, Math.min(page, MAX_PAGE));
        model.addAttribute("row", row(key, look, choice, business));
        model.addAttribute("seen", queries.visits(key, choice.period(), business.zone(), look, shown));
        model.addAttribute("what", "visits");
        return show(look, choice, key, shown, model);
    }

    @GetMapping("/people")
    String people(
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        int shown = Math.max(0, Math.min(page, MAX_PAGE));
        ComparedRow row = row(key, look, choice, business);
        if (!row.knowsPeople()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        model.addAttribute("row", row);
        model.addAttribute("met", queries.people(key, choice.period(), business.zone(), look, shown));
        model.addAttribute("what", "people");
        return show(look, choice, key, shown, model);
    }

    /** @param what a kind of outcome, or revenue */
    @GetMapping("/{what}")
    String outcomes(
            @PathVariable String what,
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        List<OutcomeKind> kinds = Arrays.stream(OutcomeKind.values())
                .filter(kind -> what.equals(REVENUE) ? kind.isRevenue() : what.equals(kind.key() + "s"))
                .toList();
        if (kinds.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        int shown = Math.max(0, Math.min(page, MAX_PAGE));
        model.addAttribute("row", row(key, look, choice, business));
        model.addAttribute("parts", queries.outcomes(key, kinds, choice.period(), business.zone(), look, shown));
        model.addAttribute("what", what.toLowerCase(Locale.ROOT));
        return show(look, choice, key, shown, model);
    }

    private ComparedRow row(String key, CompareChoice look, PeriodChoice choice, Business business) {
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        return key.equals(ComparedRow.TOTAL)
                ? comparison.total()
                : comparison
                        .find(key)
                        .filter(ComparedRow::isListed)
                        .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private String show(CompareChoice look, PeriodChoice choice, String key, int shown, Model model) {
        model.addAttribute("page", shown);
        model.addAttribute("pageSize", BehindQueries.PAGE);
        frame.addTo(model, look, choice, key);
        return "compare/behind";
    }
}
