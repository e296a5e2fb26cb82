package wendo.app.compare.crosscheck;

import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.Sources;
import wendo.core.measure.CrossCheck;
import wendo.core.outcomes.DayOrder;

/** Cross-checks: bring another system's counts, and see where and why they differ from ours. */
@Controller
@RequestMapping("/compare/cross-checks")
class CrossCheckController {
    private final CrossChecks checks;
    private final CrossCheckQueries queries;
    private final Agreements agreements;
    private final Sources sources;
    private final LinkHosts hosts;
    private final Installation installation;

    CrossCheckController(
            CrossChecks checks,
            CrossCheckQueries queries,
            Agreements agreements,
            Sources sources,
            LinkHosts hosts,
            Installation installation) {
        this.agreements = agreements;
        this.installation = installation;
        this.checks = checks;
        this.queries = queries;
        this.sources = sources;
        this.hosts = hosts;
    }

    /** A check as it is listed. */
    record Line(CrossCheckQueries.Standing standing, CrossCheck counts, String said) {}

    /** Sources, and after them domains. */
    private List<Check.Subject> subjects() {
        return Stream.concat(
                        sources.list().stream().map(one -> new Check.Subject(one.id(), one.name(), false)),
                        hosts.inUse().stream().map(one -> new Check.Subject(one.id(), one.name(), true)))
                .toList();
    }

    record CrossCheckListPage(List<Line> lines, CheckForm form, List<Check.Subject> subjects, Counted[] counted) {}

    record CrossCheckPage(
            Check check,
            List<CrossCheckQueries.Day> days,
            CrossCheck counts,
            CrossCheckWords words,
            String pasted,
            String fault,
            Agreements.Shared shared,
            String address,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView list(Business business) {
        return list(CheckForm.empty(business.zone()), business);
    }

    private ModelAndView list(CheckForm form, Business business) {
        Figures figures = figures(business);
        List<Line> lines = queries.standings(business.zone()).stream()
                .map(standing -> {
                    CrossCheck counts = new CrossCheck(standing.ours(), standing.theirs(), List.of());
                    return new Line(standing, counts, CrossCheckWords.difference(counts, figures));
                })
                .toList();
        return ViewRecord.of(
                "compare/crosscheck/list", new CrossCheckListPage(lines, form, subjects(), Counted.values()));
    }

    @Needs(Permission.SET_UP)
    @PostMapping
    ModelAndView add(TypedFields typed, Business business, CurrentPerson person) {
        CheckForm.Checked checked = CheckForm.check(typed, subjects(), business.locale());
        if (checked.check().isEmpty()) {
            return InvalidForm.of(list(checked.form(), business));
        }
        checks.add(checked.check().get(), checked.theirs(), person.name());
        return new ModelAndView(
                "redirect:/compare/cross-checks/" + checked.check().get().id());
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, Business business) {
        return page(check(id), "", Optional.empty(), business);
    }

    private ModelAndView page(Check check, String pasted, Optional<String> fault, Business business) {
        return page(check, pasted, Map.of("pasted", fault.orElse("")), business);
    }

    private ModelAndView page(Check check, String pasted, Map<String, String> faults, Business business) {
        Agreements.Shared shared = agreements.of(check.id());
        ZoneId zone = business.zone();
        Figures figures = figures(business);
        List<CrossCheckQueries.Day> days = queries.days(check, zone);
        CrossCheck counts = checks.counts(check, days, zone);
        return ViewRecord.of(
                "compare/crosscheck/page",
                new CrossCheckPage(
                        check,
                        days,
                        counts,
                        CrossCheckWords.of(check, counts, figures),
                        pasted,
                        faults.getOrDefault("pasted", ""),
                        shared,
                        shared.token()
                                .map(token -> installation.origin() + "/t/counts/" + token)
                                .orElse(""),
                        faults));
    }

    /** Opens the view that both sides see, or closes it. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/share")
    String share(@PathVariable UUID id, TypedFields typed) {
        agreements.open(check(id).id(), !typed.is("page", "close"));
        return "redirect:/compare/cross-checks/" + id;
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/notes")
    ModelAndView write(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        Check check = check(id);
        String body = typed.text("body");
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "body", body, Limits.NOTE);
        if (body.isEmpty()) {
            faults.put("body", Texts.of("compare.counts.note-missing"));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(check, "", faults, business));
        }
        agreements.write(id, new CountNote.Written(false, person.name(), body));
        return new ModelAndView("redirect:/compare/cross-checks/" + id);
    }

    /** The number that the business says yes to. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/agreement")
    ModelAndView agree(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        Check check = check(id);
        Optional<Long> number = number(typed.text("number"));
        if (number.isEmpty()) {
            return InvalidForm.of(page(check, "", Map.of("number", Texts.of("compare.counts.number-wrong")), business));
        }
        agreements.sayOurs(id, number.get(), person.name());
        return new ModelAndView("redirect:/compare/cross-checks/" + id);
    }

    /** A whole number of nine digits at most; what parts thousands is left out. */
    static Optional<Long> number(String typed) {
        String plain = typed.replaceAll("[\\s.,\u2019']", "");
        return plain.matches("\\d{1,9}") ? Optional.of(Long.valueOf(plain)) : Optional.empty();
    }

    /** Adds days of the other system's count, or corrects the numbers of days that were brought before. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}")
    ModelAndView tell(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String pasted,
            @RequestParam(defaultValue = "") String days,
            Business business) {
        Check check = check(id);
        TheirCounts theirs = TheirCounts.read(pasted, DayOrder.named(days), business.locale());
        if (!theirs.faults().isEmpty()) {
            return InvalidForm.of(page(
                    check, pasted, Optional.of(theirs.faults().stream().collect(Collectors.joining(" "))), business));
        }
        checks.tell(id, theirs.byDay());
        return new ModelAndView("redirect:/compare/cross-checks/" + id);
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id, RedirectAttributes notes) {
        Check check = check(id);
        checks.remove(id);
        notes.addFlashAttribute("removed", id.toString());
        notes.addFlashAttribute(
                "removedSaid", Texts.of("compare.crosscheck.system-for-source", check.system(), check.sourceName()));
        return "redirect:/compare/cross-checks";
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/put-back")
    String putBack(@PathVariable UUID id) {
        if (!checks.putBack(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/compare/cross-checks/" + id;
    }

    private Check check(UUID id) {
        return queries.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static Figures figures(Business business) {
        return new Figures(business.currency(), business.zone(), business.locale());
    }
}
