package wendo.app.place.signposts;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
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
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.sources.Sources;

/** Signposts as the people of the business see them. */
@Needs(Permission.ISSUE)
@Controller
@RequestMapping("/signposts")
class SignpostController {
    private final Signposts signposts;
    private final SignpostIssue issue;
    private final Sources sources;
    private final Campaigns campaigns;
    private final Clock clock;

    SignpostController(Signposts signposts, SignpostIssue issue, Sources sources, Campaigns campaigns, Clock clock) {
        this.signposts = signposts;
        this.issue = issue;
        this.sources = sources;
        this.campaigns = campaigns;
        this.clock = clock;
    }

    @GetMapping
    ModelAndView list() {
        return list(new SignpostIssue.Wanted("", "", "", "", ""), Map.of());
    }

    private ModelAndView list(SignpostIssue.Wanted wanted, Map<String, String> faults) {
        return new ModelAndView("place/signposts/list")
                .addObject("signposts", signposts.list())
                .addObject("wanted", wanted)
                .addObject("faults", faults)
                .addObject("sources", sources.list())
                .addObject("campaigns", campaigns.list());
    }

    @PostMapping
    ModelAndView add(@RequestParam Map<String, String> typed, CurrentPerson person) {
        SignpostIssue.Wanted wanted = new SignpostIssue.Wanted(
                typed.getOrDefault("title", "").strip(),
                typed.getOrDefault("text", "").strip(),
                typed.getOrDefault("source", "").strip(),
                typed.getOrDefault("campaign", "").strip(),
                typed.getOrDefault("ending", "").strip());
        Map<String, String> faults = described(wanted.title(), wanted.text());
        Sources.refusal(wanted.source()).ifPresent(fault -> faults.put("source", fault));
        Campaigns.refusal(wanted.campaign()).ifPresent(fault -> faults.put("campaign", fault));
        if (faults.isEmpty()) {
            try {
                return back(issue.make(wanted, person.name()));
            } catch (SignpostIssue.LinkRefused e) {
                faults.put("ending", String.valueOf(e.getMessage()));
            }
        }
        return InvalidForm.of(list(wanted, faults));
    }

    private static Map<String, String> described(String title, String text) {
        Map<String, String> faults = new HashMap<>();
        if (title.isEmpty()) {
            faults.put("title", "Give it a title; visitors read it first.");
        }
        InvalidForm.tooLong(faults, "title", title, Signposts.MAX_TITLE);
        InvalidForm.tooLong(faults, "text", text, Signposts.MAX_TEXT);
        return faults;
    }

    /** Also at the addresses that refused forms leave behind. */
    @GetMapping({"/{id}", "/{id}/entries"})
    ModelAndView page(@PathVariable UUID id, PeriodChoice choice, Business business) {
        Signposts.Signpost signpost = find(id);
        return show(signpost, signpost.title(), signpost.text(), Map.of(), Map.of(), choice, business);
    }

    private ModelAndView show(
            Signposts.Signpost signpost,
            String title,
            String text,
            Map<String, String> typed,
            Map<String, String> faults,
            PeriodChoice choice,
            Business business) {
        return new ModelAndView("place/signposts/page")
                .addObject("signpost", signpost)
                .addObject("version", signposts.version(signpost.id()))
                .addObject("title", title)
                .addObject("text", text)
                .addObject("typed", typed)
                .addObject("faults", faults)
                .addObject("choice", choice)
                .addObject("now", clock.instant())
                .addObject("sources", sources.list())
                .addObject(
                        "entries",
                        signposts.entries(signpost.id(), choice.period().startInclusive()));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}")
    ModelAndView describe(
            @PathVariable UUID id,
            @RequestParam String title,
            @RequestParam String text,
            @RequestParam(defaultValue = "") String version,
            PeriodChoice choice,
            Business business) {
        Signposts.Signpost signpost = find(id);
        Map<String, String> faults = described(title.strip(), text.strip());
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(signpost, title, text, Map.of(), faults, choice, business));
        }
        try {
            signposts.describe(id, EditedVersion.of(version), title.strip(), text.strip());
        } catch (OptimisticLockingFailureException e) {
            Signposts.Signpost theirs = find(id);
            Map<String, String> marks = EditConflict.marks(
                    Map.of("title", title, "text", text), Map.of("title", theirs.title(), "text", theirs.text()));
            return EditConflict.of(show(theirs, title, text, Map.of(), marks, choice, business), "/signposts/" + id);
        }
        return back(id);
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/entries")
    ModelAndView addEntry(
            @PathVariable UUID id,
            @RequestParam Map<String, String> typed,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        Signposts.Signpost signpost = find(id);
        Map<String, String> faults = new HashMap<>();
        String title = typed.getOrDefault("entryTitle", "").strip();
        if (title.isEmpty() || title.length() > Signposts.MAX_TITLE) {
            faults.put("entryTitle", "A title has 1 to %d characters.".formatted(Signposts.MAX_TITLE));
        }
        Optional<Instant> first = moment("first", typed, business, faults);
        Optional<Instant> last = moment("last", typed, business, faults);
        if (first.isPresent() && last.isPresent() && !first.get().isBefore(last.get())) {
            faults.put("last", "It ends before it begins.");
        }
        if (signpost.entries() >= Signposts.MAX_ENTRIES) {
            faults.put("entryTitle", "A signpost has room for %d entries.".formatted(Signposts.MAX_ENTRIES));
        }
        if (faults.isEmpty()) {
            try {
                UUID link = issue.entryLink(
                        signpost,
                        typed.getOrDefault("address", ""),
                        typed.getOrDefault("source", ""),
                        title,
                        person.name());
                signposts.addEntry(id, new StoredEntry(title, link, first, last));
                return back(id);
            } catch (SignpostIssue.LinkRefused e) {
                faults.put("address", String.valueOf(e.getMessage()));
            }
        }
        return InvalidForm.of(show(signpost, signpost.title(), signpost.text(), typed, faults, choice, business));
    }

    private static Optional<Instant> moment(
            String field, Map<String, String> typed, Business business, Map<String, String> faults) {
        String text = typed.getOrDefault(field, "").strip();
        try {
            return text.isEmpty()
                    ? Optional.empty()
                    : Optional.of(
                            LocalDateTime.parse(text).atZone(business.zone()).toInstant());
        } catch (DateTimeParseException e) {
            faults.put(field, "Give a day and a time.");
            return Optional.empty();
        }
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/entries/{entry}")
    ModelAndView change(@PathVariable UUID id, @PathVariable UUID entry, @RequestParam String what) {
        find(id);
        if (what.equals("up")) {
            signposts.moveUp(id, entry);
        } else if (what.equals("remove")) {
            signposts.removeEntry(id, entry);
        }
        return back(id);
    }

    private Signposts.Signpost find(UUID id) {
        return signposts.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static ModelAndView back(UUID id) {
        return new ModelAndView("redirect:/signposts/" + id);
    }
}
