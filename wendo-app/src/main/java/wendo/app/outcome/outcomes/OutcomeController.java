package wendo.app.outcome.outcomes;

import java.time.Clock;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.ConsentQueries;
import wendo.app.platform.consent.ToldConsent;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.ChannelWindows;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.credit.LookbackWindows;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;

/** The ledger. */
@Controller
@RequestMapping("/outcomes")
class OutcomeController {
    private static final int MAX_PAGE = 9_999;

    private final OutcomeQueries queries;
    private final LedgerQueries ledger;
    private final Outcomes outcomes;
    private final OutcomeReviews reviews;
    private final Sources sources;
    private final ConsentQueries consents;
    private final Ribbons ribbons;
    private final ChannelWindows windows;
    private final Clock clock;

    OutcomeController(
            OutcomeQueries queries,
            LedgerQueries ledger,
            Outcomes outcomes,
            OutcomeReviews reviews,
            Sources sources,
            ConsentQueries consents,
            Ribbons ribbons,
            ChannelWindows windows,
            Clock clock) {
        this.queries = queries;
        this.ledger = ledger;
        this.outcomes = outcomes;
        this.reviews = reviews;
        this.sources = sources;
        this.consents = consents;
        this.ribbons = ribbons;
        this.windows = windows;
        this.clock = clock;
    }

    record Line(LedgerRow outcome, EvidenceWords evidence) {}

    record OutcomePage(
            LedgerRow row,
            int version,
            EvidenceWords evidence,
            List<ConsentQueries.Row> consents,
            List<OutcomeQueries.Change.Shown> changes,
            Correction typed,
            ToldConsent told,
            ConsentPurpose[] purposes,
            Map<String, String> reporters,
            List<SourceListed> sources,
            OutcomeStatus[] statuses,
            Map<String, String> faults) {}

    /** One outcome with its history, and how to put it right. */
    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, Business business, CurrentPerson person) {
        LedgerRow row = seen(List.of(find(id)), person).get(0);
        return show(row, Correction.of(row, business), Map.of(), business);
    }

    /** Contact details are seen by those who may see all, and by the owner of a lead. */
    private List<LedgerRow> seen(List<LedgerRow> rows, CurrentPerson person) {
        if (person.may(Permission.SEE_CONTACTS)) {
            return rows;
        }
        Set<UUID> own =
                queries.leadsOf(person.id(), rows.stream().map(LedgerRow::id).toList());
        return rows.stream()
                .map(row -> own.contains(row.id()) ? row : row.withoutContacts())
                .toList();
    }

    private LedgerRow find(UUID id) {
        return queries.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView show(LedgerRow row, Correction typed, Map<String, String> faults, Business business) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        return ViewRecord.of(
                "outcome/outcomes/page",
                new OutcomePage(
                        row,
                        queries.version(row.id()),
                        EvidenceWords.of(row, figures, windows.current()),
                        consents.of(List.of(row.told().email(), row.told().phone())),
                        queries.changes(row.id()).stream()
                                .map(change -> change.in(figures))
                                .toList(),
                        typed,
                        ToldConsent.none(),
                        ConsentPurpose.values(),
                        reporters(),
                        sources.list(),
                        OutcomeStatus.values(),
                        faults));
    }

    private static Map<String, String> reporters() {
        return Arrays.stream(Reporter.values()).collect(Collectors.toMap(Reporter::key, Reporter::words));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}")
    ModelAndView correct(
            @PathVariable UUID id,
            @ModelAttribute Correction typed,
            @RequestParam(defaultValue = "") String version,
            PageContext context) {
        Business business = context.business();
        LedgerRow row = find(id);
        OutcomeReport.Read read = typed.read(row, business, clock.instant());
        Map<String, String> faults = new HashMap<>();
        try {
            if (read instanceof OutcomeReport.Read.Bad bad) {
                bad.faults().forEach(fault -> faults.put(fault.field(), Texts.of(fault.sentence())));
            } else if (outcomes.correct(
                            ((OutcomeReport.Read.Good) read).report(),
                            EditedVersion.of(version),
                            context.person().name())
                    instanceof Recorded.Refused refused) {
                faults.put(refused.field(), refused.message());
            }
        } catch (OptimisticLockingFailureException e) {
            LedgerRow theirs = find(id);
            Map<String, String> marks = EditConflict.marks(typed, Correction.of(theirs, business));
            return EditConflict.of(show(theirs, typed, marks, business), "/outcomes/" + id);
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/outcomes/" + id)
                : InvalidForm.of(show(row, typed, faults, business));
    }

    /** They agreed to something when somebody asked them. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/consent")
    ModelAndView consent(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        LedgerRow row = find(id);
        List<String> contacts = List.of(row.told().email(), row.told().phone());
        ToldConsent told = ToldConsent.of(typed);
        Map<String, String> faults = new HashMap<>();
        if (told.purposes().isEmpty()) {
            faults.put(ToldConsent.WORDS, Texts.of("outcome.outcomes.tick-what-they-agreed-to"));
        }
        told.check(contacts, faults);
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(row, Correction.of(row, business), faults, business))
                    .addObject("told", told);
        }
        outcomes.agreed(told, contacts, id, person.name());
        return new ModelAndView("redirect:/outcomes/" + id);
    }

    /** Somebody knows where it came from, or takes that back. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/source")
    ModelAndView set(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String source,
            Business business,
            CurrentPerson person) {
        LedgerRow row = find(id);
        Optional<SourceListed> known = sources.list().stream()
                .filter(one -> one.id().toString().equals(source))
                .findFirst();
        if (known.isEmpty() && !source.isEmpty()) {
            Map<String, String> faults = Map.of("source", Texts.of("outcome.outcomes.this-source-is-no-longer"));
            return InvalidForm.of(show(row, Correction.of(row, business), faults, business));
        }
        outcomes.set(
                id, known.map(SourceListed::id), known.map(SourceListed::name).orElse(""), person.name());
        return new ModelAndView("redirect:/outcomes/" + id);
    }

    record LedgerPage(
            long toReview,
            List<Line> lines,
            LedgerQueries.Sum sum,
            LedgerFilter filter,
            List<SourceListed> sources,
            OutcomeStatus[] statuses,
            OutcomeKind[] kinds,
            Map<String, String> reporters,
            int page,
            int pageSize,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @GetMapping
    ModelAndView ledger(TypedFields asked, PageContext context) {
        String page = asked.text("page", "0");
        int number = page.matches("\\d{1,4}") ? Math.min(Integer.parseInt(page), MAX_PAGE) : 0;
        LedgerFilter filter = LedgerFilter.of(asked);
        boolean seesAll = context.person().may(Permission.SEE_CONTACTS);
        LedgerQueries.Chosen chosen = new LedgerQueries.Chosen(context.period(), context.zone(), filter, seesAll);
        LookbackWindows lookback = windows.current();
        List<Line> lines = seen(ledger.page(chosen, number), context.person()).stream()
                .map(row -> new Line(row, EvidenceWords.of(row, context.figures(), lookback)))
                .toList();
        return ViewRecord.of(
                "outcome/outcomes/ledger",
                new LedgerPage(
                        reviews.count(),
                        lines,
                        ledger.sum(chosen),
                        filter,
                        sources.list(),
                        OutcomeStatus.values(),
                        OutcomeKind.values(),
                        reporters(),
                        number,
                        LedgerQueries.PAGE,
                        context.choice(),
                        ribbons.draw(context.choice())));
    }
}
