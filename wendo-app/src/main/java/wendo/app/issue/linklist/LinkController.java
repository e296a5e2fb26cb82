package wendo.app.issue.linklist;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.alerts.AlertMode;
import wendo.app.issue.alerts.LinkAlerts;
import wendo.app.issue.links.IssueFault;
import wendo.app.issue.links.LinkChange;
import wendo.app.issue.links.LinkChangeLog;
import wendo.app.issue.links.LinkChanges;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.issue.links.LinkTerms;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;

/** One link: what it is for, and what it brought. */
@Controller
@RequestMapping("/links/{id}")
class LinkController {
    private final LinkSaving links;
    private final LinkChanges changes;
    private final LinkChangeLog log;
    private final LinkFigures figures;
    private final LinkTraits traits;
    private final LinkHosts hosts;
    private final LinkAlerts alerts;
    private final Accounts accounts;
    private final Brands brands;
    private final Ribbons ribbons;
    private final Clock clock;

    LinkController(
            LinkSaving links,
            LinkChanges changes,
            LinkChangeLog log,
            LinkFigures figures,
            LinkTraits traits,
            LinkHosts hosts,
            LinkAlerts alerts,
            Accounts accounts,
            Brands brands,
            Ribbons ribbons,
            Clock clock) {
        this.links = links;
        this.changes = changes;
        this.log = log;
        this.figures = figures;
        this.traits = traits;
        this.hosts = hosts;
        this.alerts = alerts;
        this.accounts = accounts;
        this.brands = brands;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    record LinkPage(
            LinkListed link,
            String alert,
            AlertMode[] alertModes,
            List<String> former,
            String name,
            LinkTerms terms,
            int version,
            Map<String, String> faults,
            String issuer,
            List<Colleague> colleagues,
            List<String> labels,
            List<BrandListed> brands,
            LinkFigures.Counts counts,
            List<LinkFigures.Bar<LocalDate>> days,
            int daysOfBar,
            List<LinkFigures.Bar<String>> hours,
            Map<LinkTraits.Trait, List<LinkTraits.Known>> known,
            Optional<Instant> countedFrom,
            LocalDateTime now,
            List<LinkChanges.Made> changes,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id, PageContext context) {
        LinkListed link = find(id);
        return show(link, new Typed(link.name(), links.terms(id)), Map.of(), context);
    }

    /** What is said of a link, as it was typed. */
    private record Typed(String name, LinkTerms terms) {}

    private ModelAndView show(LinkListed link, Typed typed, Map<String, String> faults, PageContext context) {
        UUID id = link.id();
        PeriodChoice choice = context.choice();
        return ViewRecord.of(
                "issue/linklist/page",
                new LinkPage(
                        link,
                        alerts.mode(id, context.person().id())
                                .map(AlertMode::key)
                                .orElse(""),
                        AlertMode.values(),
                        hosts.formerAddresses(id),
                        typed.name(),
                        typed.terms(),
                        links.version(id),
                        faults,
                        typed.terms().owner(),
                        accounts.colleagues(),
                        links.labelsInUse(),
                        brands.list(),
                        figures.counts(id, choice.period(), context.zone()),
                        figures.days(id, choice.period()),
                        LinkFigures.daysOfBar(choice.period()),
                        figures.hours(id, choice.period()),
                        known(id, choice),
                        figures.countedFrom(id),
                        LocalDateTime.now(clock.withZone(context.zone())).truncatedTo(ChronoUnit.MINUTES),
                        log.of(id),
                        choice,
                        ribbons.draw(choice)));
    }

    private Map<LinkTraits.Trait, List<LinkTraits.Known>> known(UUID id, PeriodChoice choice) {
        Map<LinkTraits.Trait, List<LinkTraits.Known>> known = new EnumMap<>(LinkTraits.Trait.class);
        for (LinkTraits.Known one : traits.known(id, choice.period())) {
            known.computeIfAbsent(one.trait(), trait -> new ArrayList<>()).add(one);
        }
        return known;
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView describe(@PathVariable UUID id, TypedFields fields, PageContext context) {
        LinkListed link = find(id);
        Typed typed = new Typed(fields.raw("name"), LinkTerms.of(fields::raw));
        Map<String, String> faults = new HashMap<>();
        try {
            EditedVersion edited = EditedVersion.of(fields.text("version"));
            for (IssueFault fault : links.describe(id, edited, typed.name(), typed.terms())) {
                faults.put(fault.field(), fault.message());
            }
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = new HashMap<>(EditConflict.marks(typed.terms(), links.terms(id)));
            LinkListed theirs = find(id);
            marks.putAll(EditConflict.marks(Map.of("name", typed.name()), Map.of("name", theirs.name())));
            return EditConflict.of(show(theirs, typed, marks, context), "/links/" + id);
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/links/" + id)
                : InvalidForm.of(show(link, typed, faults, context));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        find(id);
        Optional<LinkChanges.Made> unused = changes.make(
                List.of(id),
                new LinkChange.Archive(away),
                away ? Texts.kept("issue.linklist.archived") : Texts.kept("issue.linklist.restored"),
                person.name());
        return "redirect:/links/" + id;
    }

    /** @param from the business's own day and time; empty to count all visits again */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/afresh")
    ModelAndView countAfresh(@PathVariable UUID id, @RequestParam(defaultValue = "") String from, PageContext context) {
        LinkListed link = find(id);
        Optional<Instant> moment = moment(from, context.business());
        if (!from.isBlank() && moment.isEmpty()) {
            return InvalidForm.of(show(
                    link,
                    new Typed(link.name(), links.terms(id)),
                    Map.of("afresh", Texts.of("issue.linklist.afresh-fault")),
                    context));
        }
        Optional<LinkChanges.Made> unused = changes.make(
                List.of(id),
                new LinkChange.CountFrom(moment),
                moment.isPresent()
                        ? Texts.kept("issue.linklist.counted-from", from.replace('T', ' '))
                        : Texts.kept("issue.linklist.all-visits-count-again"),
                context.person().name());
        return new ModelAndView("redirect:/links/" + id);
    }

    /** Empty also for what is no moment of the years in which links are kept. */
    private static Optional<Instant> moment(String from, Business business) {
        try {
            LocalDateTime moment = LocalDateTime.parse(from);
            return moment.getYear() < 2000 || moment.getYear() > 2199
                    ? Optional.empty()
                    : Optional.of(moment.atZone(business.zone()).toInstant());
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
