package wendo.app.compare.drilldown;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.ViewRecord;
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

    /** @param what visits, people, a kind of outcome, or revenue */
    record DrilldownPage(String what, ComparedRow row, long all, int page, int pageSize) {}

    record SeenVisits(List<DrilldownVisitQueries.Seen> seen) {}

    record MetPeople(List<DrilldownVisitQueries.Somebody> met) {}

    record CreditedOutcomes(DrilldownQueries.Parts parts) {}

    @GetMapping("/visits")
    ModelAndView visits(
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareContext context) {
        ComparedRow row = row(key, context);
        long all = kept(row, context).map(ComparedRow::visits).orElse(0L);
        return show(
                new DrilldownPage("visits", row, all, shown(page), DrilldownQueries.PAGE),
                new SeenVisits(came.visits(row, context, shown(page))),
                context,
                key);
    }

    @GetMapping("/people")
    ModelAndView people(
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareContext context,
            CurrentPerson person) {
        ComparedRow row = row(key, context);
        if (!row.knowsPeople()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        long all = kept(row, context).map(ComparedRow::people).orElse(0L);
        boolean seesContacts = person.may(Permission.SEE_CONTACTS);
        List<DrilldownVisitQueries.Somebody> met = came.people(row, context, shown(page)).stream()
                .map(one -> seesContacts ? one : one.withoutContacts())
                .toList();
        return show(
                new DrilldownPage("people", row, all, shown(page), DrilldownQueries.PAGE),
                new MetPeople(met),
                context,
                key);
    }

    private static int shown(int page) {
        return Math.max(0, Math.min(page, MAX_PAGE));
    }

    /** The same row over the days whose single visits are still kept; empty if there are no such days. */
    private Optional<ComparedRow> kept(ComparedRow row, CompareContext context) {
        Period period = context.period();
        Optional<LocalDate> first = came.firstKept(context.zone()).filter(day -> day.isBefore(period.endExclusive()));
        return first.filter(day -> day.isAfter(period.startInclusive())).isPresent()
                ? find(row.key(), new Period(first.get(), period.endExclusive()), context)
                : first.map(day -> row);
    }

    /** @param what a kind of outcome, or revenue */
    @GetMapping("/{what}")
    ModelAndView outcomes(
            @PathVariable String what,
            @RequestParam(defaultValue = "all") String key,
            @RequestParam(defaultValue = "0") int page,
            CompareContext context) {
        List<OutcomeKind> kinds = Arrays.stream(OutcomeKind.values())
                .filter(kind -> what.equals(REVENUE) ? kind.isRevenue() : what.equals(kind.key() + "s"))
                .toList();
        if (kinds.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        DrilldownQueries.Parts parts = queries.outcomes(key, kinds, context, shown(page));
        return show(
                new DrilldownPage(
                        what.toLowerCase(Locale.ROOT),
                        row(key, context),
                        parts.all(),
                        shown(page),
                        DrilldownQueries.PAGE),
                new CreditedOutcomes(parts),
                context,
                key);
    }

    private ComparedRow row(String key, CompareContext context) {
        return find(key, context.period(), context)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private Optional<ComparedRow> find(String key, Period period, CompareContext context) {
        Comparison comparison = comparisons.compare(period, context.business(), context.look());
        return key.equals(ComparedRow.TOTAL)
                ? Optional.of(comparison.total())
                : comparison.find(key).filter(ComparedRow::isListed);
    }

    private ModelAndView show(DrilldownPage page, Record rows, CompareContext context, String key) {
        return frame.around(ViewRecord.with(ViewRecord.of("compare/drilldown/behind", page), rows), context, key);
    }
}
