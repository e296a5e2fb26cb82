package wendo.app.issue.linklist;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
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
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbons;

/** One link: what it is for, and what it brought. */
@Controller
@RequestMapping("/links/{id}")
class LinkController {
    private static final String AFRESH_FAULT = "Choose a day and a time of day, in the years 2000 to 2199.";

    private final LinkSaving links;
    private final LinkChanges changes;
    private final LinkChangeLog log;
    private final LinkFigures figures;
    private final LinkTraits traits;
    private final LinkHosts hosts;
    private final LinkAlerts alerts;
    private final Accounts accounts;
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
        this.ribbons = ribbons;
        this.clock = clock;
    }

    @GetMapping
    ModelAndView page(@PathVariable UUID id, PeriodChoice choice, Business business, CurrentPerson person) {
        LinkListed link = find(id);
        return show(link, link.name(), links.terms(id), Map.of(), choice, business, person);
    }

    private ModelAndView show(
            LinkListed link,
            String name,
            LinkTerms terms,
            Map<String, String> faults,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        UUID id = link.id();
        return new ModelAndView("issue/linklist/page")
                .addObject("link", link)
                .addObject(
                        "alert",
                        alerts.mode(id, person.id()).map(AlertMode::key).orElse(""))
                .addObject("alertModes", AlertMode.values())
                .addObject("former", hosts.formerAddresses(id))
                .addObject("name", name)
                .addObject("terms", terms)
                .addObject("version", links.version(id))
                .addObject("faults", faults)
                .addObject("issuer", terms.owner())
                .addObject("colleagues", accounts.colleagues())
                .addObject("labels", links.labelsInUse())
                .addObject("counts", figures.counts(id, choice.period(), business.zone()))
                .addObject("days", figures.days(id, choice.period()))
                .addObject("daysOfBar", LinkFigures.daysOfBar(choice.period()))
                .addObject("hours", figures.hours(id, choice.period()))
                .addObject("known", known(id, choice))
                .addObject("countedFrom", figures.countedFrom(id))
                .addObject(
                        "now",
                        LocalDateTime.now(clock.withZone(business.zone())).truncatedTo(ChronoUnit.MINUTES))
                .addObject("changes", log.of(id))
                .addObject("choice", choice)
                .addObject("ribbon", ribbons.draw(choice));
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
    ModelAndView describe(
            @PathVariable UUID id,
            @RequestParam String name,
            @RequestParam Map<String, String> typed,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        LinkListed link = find(id);
        LinkTerms terms = LinkTerms.of(field -> typed.getOrDefault(field, ""));
        Map<String, String> faults = new HashMap<>();
        try {
            EditedVersion edited = EditedVersion.of(typed.getOrDefault("version", ""));
            for (IssueFault fault : links.describe(id, edited, name, terms)) {
                faults.put(fault.field(), fault.message());
            }
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = new HashMap<>(EditConflict.marks(terms, links.terms(id)));
            LinkListed theirs = find(id);
            marks.putAll(EditConflict.marks(Map.of("name", name), Map.of("name", theirs.name())));
            return EditConflict.of(show(theirs, name, terms, marks, choice, business, person), "/links/" + id);
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/links/" + id)
                : InvalidForm.of(show(link, name, terms, faults, choice, business, person));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        find(id);
        Optional<LinkChanges.Made> unused = changes.make(
                List.of(id),
                new LinkChange.Archive(away),
                away ? "Archived" : "Taken out of the archive",
                person.name());
        return "redirect:/links/" + id;
    }

    /** @param from the business's own day and time; empty to count all visits again */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/afresh")
    ModelAndView countAfresh(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String from,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        LinkListed link = find(id);
        Optional<Instant> moment = moment(from, business);
        if (!from.isBlank() && moment.isEmpty()) {
            return InvalidForm.of(
                    show(link, link.name(), links.terms(id), Map.of("afresh", AFRESH_FAULT), choice, business, person));
        }
        Optional<LinkChanges.Made> unused = changes.make(
                List.of(id),
                new LinkChange.CountFrom(moment),
                moment.isPresent() ? "Counted afresh from " + from.replace('T', ' ') : "All visits counted again",
                person.name());
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
