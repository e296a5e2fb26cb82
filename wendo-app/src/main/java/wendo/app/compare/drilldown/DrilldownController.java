package wendo.app.compare.drilldown;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** What stands behind a number: the outcomes or visits that add up to it. */
@Controller
@RequestMapping("/compare/behind")
class DrilldownController {
    private static final int MAX_PAGE = 100_000;
    private static final String REVENUE = "revenue";

    private final Comparisons comparisons;
    private final DrilldownQueries queries;
    private final DrilldownVisitQueries came;
    private final CompareFrame frame;

    DrilldownController(
            Comparisons comparisons, DrilldownQueries queries, DrilldownVisitQueries came, CompareFrame frame) {
        this.comparisons = comparisons;
        this.queries = queries;
        this.came = came;
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
        int shown = shown(page);
        ComparedRow row = row(key, look, choice.period(), business);
        model.addAttribute("row", row);
        model.addAttribute(
                "all",
                kept(row, look, choice.period(), business)
                        .map(ComparedRow::visits)
                        .orElse(0L));
        model.addAttribute("seen", came.visits(row, choice.period(), business.zone(), look, shown));
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
            CurrentPerson person,
            Model model) {
        int shown = shown(page);
        ComparedRow row = row(key, look, choice.period(), business);
        if (!row.knowsPeople()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        model.addAttribute("row", row);
        model.addAttribute(
                "all",
                kept(row, look, choice.period(), business)
                        .map(ComparedRow::people)
                        .orElse(0L));
        boolean seesContacts = person.may(Permission.SEE_CONTACTS);
        model.addAttribute(
                "met",
                came.people(row, choice.period(), business.zone(), look, shown).stream()
                        .map(one -> seesContacts ? one : one.withoutContacts())
                        .toList());
        model.addAttribute("what", "people");
        return show(look, choice, key, shown, model);
    }

    private static int shown(int page) {
        return Math.max(0, Math.min(page, MAX_PAGE));
    }

    /** The row as far back as visits are kept one by one; none if none of them is. */
    private Optional<ComparedRow> kept(ComparedRow row, CompareChoice look, Period period, Business business) {
        Optional<LocalDate> first = came.firstKept(business.zone()).filter(day -> day.isBefore(period.endExclusive()));
        return first.filter(day -> day.isAfter(period.startInclusive())).isPresent()
                ? find(row.key(), look, new Period(first.get(), period.endExclusive()), business)
                : first.map(day -> row);
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
        int shown = shown(page);
        model.addAttribute("row", row(key, look, choice.period(), business));
        DrilldownQueries.Parts parts = queries.outcomes(key, kinds, choice.period(), business.zone(), look, shown);
        model.addAttribute("parts", parts);
        model.addAttribute("all", parts.all());
        model.addAttribute("what", what.toLowerCase(Locale.ROOT));
        return show(look, choice, key, shown, model);
    }

    private ComparedRow row(String key, CompareChoice look, Period period, Business business) {
        return find(key, look, period, business).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private Optional<ComparedRow> find(String key, CompareChoice look, Period period, Business business) {
        Comparison comparison = comparisons.compare(period, business, look);
        return key.equals(ComparedRow.TOTAL)
                ? Optional.of(comparison.total())
                : comparison.find(key).filter(ComparedRow::isListed);
    }

    private String show(CompareChoice look, PeriodChoice choice, String key, int shown, Model model) {
        model.addAttribute("page", shown);
        model.addAttribute("pageSize", DrilldownQueries.PAGE);
        frame.addTo(model, look, choice, key);
        return "compare/drilldown/behind";
    }
}
