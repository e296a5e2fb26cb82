package wendo.app.place.signposts;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
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
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.campaigns.CampaignListed;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.app.visit.sitetag.Embedding;

/** Signposts as the people of the business see them. */
@Needs(Permission.ISSUE)
@Controller
@RequestMapping("/signposts")
class SignpostController {
    private final Signposts signposts;
    private final SignpostIssue issue;
    private final Sources sources;
    private final Campaigns campaigns;
    private final Embedding embedding;
    private final Clock clock;

    SignpostController(
            Signposts signposts,
            SignpostIssue issue,
            Sources sources,
            Campaigns campaigns,
            Embedding embedding,
            Clock clock) {
        this.signposts = signposts;
        this.issue = issue;
        this.sources = sources;
        this.campaigns = campaigns;
        this.embedding = embedding;
        this.clock = clock;
    }

    record SignpostListPage(
            List<Signposts.Signpost> signposts,
            SignpostIssue.Wanted wanted,
            Map<String, String> faults,
            List<SourceListed> sources,
            List<CampaignListed> campaigns) {}

    record SignpostPage(
            Signposts.Signpost signpost,
            int version,
            String title,
            String text,
            Map<String, String> typed,
            Map<String, String> faults,
            PeriodChoice choice,
            Instant now,
            List<SourceListed> sources,
            Embedding.Markup markup,
            List<Signposts.Entry> shown,
            List<Signposts.Entry> entries) {}

    @GetMapping
    ModelAndView list() {
        return list(new SignpostIssue.Wanted("", "", "", "", ""), Map.of());
    }

    private ModelAndView list(SignpostIssue.Wanted wanted, Map<String, String> faults) {
        return ViewRecord.of(
                "place/signposts/list",
                new SignpostListPage(signposts.list(), wanted, faults, sources.list(), campaigns.list()));
    }

    @PostMapping
    ModelAndView add(TypedFields typed, CurrentPerson person) {
        SignpostIssue.Wanted wanted = new SignpostIssue.Wanted(
                typed.text("title"),
                typed.text("text"),
                typed.text("source"),
                typed.text("campaign"),
                typed.text("ending"));
        Map<String, String> faults = FormRules.faults(wanted);
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

    /** Also at the addresses that refused forms leave behind. */
    @GetMapping({"/{id}", "/{id}/entries"})
    ModelAndView page(@PathVariable UUID id, PeriodChoice choice) {
        Signposts.Signpost signpost = find(id);
        return show(signpost, Typed.of(signpost), Map.of(), choice);
    }

    /** @param entry what was typed for another entry */
    private record Typed(
            @NotBlank(message = SignpostIssue.NO_TITLE) @Size(max = Signposts.MAX_TITLE)
            String title,

            @Size(max = Signposts.MAX_TEXT) String text,
            TypedFields entry) {
        static Typed of(Signposts.Signpost signpost) {
            return new Typed(signpost.title(), signpost.text(), TypedFields.none());
        }
    }

    private ModelAndView show(
            Signposts.Signpost signpost, Typed typed, Map<String, String> faults, PeriodChoice choice) {
        return ViewRecord.of(
                "place/signposts/page",
                new SignpostPage(
                        signpost,
                        signposts.version(signpost.id()),
                        typed.title(),
                        typed.text(),
                        typed.entry().firstValues(),
                        faults,
                        choice,
                        clock.instant(),
                        sources.list(),
                        embedding.markup(Embedding.Kind.SIGNPOST, signpost.id(), signpost.title()),
                        signposts.shown(signpost.id()),
                        signposts.entries(signpost.id(), choice.period().startInclusive())));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}")
    ModelAndView describe(@PathVariable UUID id, TypedFields fields, PeriodChoice choice) {
        Signposts.Signpost signpost = find(id);
        Typed typed = new Typed(fields.text("title"), fields.text("text"), TypedFields.none());
        Map<String, String> faults = FormRules.faults(typed);
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(signpost, typed, faults, choice));
        }
        try {
            signposts.describe(id, EditedVersion.of(fields.text("version")), typed.title(), typed.text());
        } catch (OptimisticLockingFailureException e) {
            Signposts.Signpost theirs = find(id);
            Map<String, String> marks = EditConflict.marks(
                    Map.of("title", typed.title(), "text", typed.text()),
                    Map.of("title", theirs.title(), "text", theirs.text()));
            return EditConflict.of(show(theirs, typed, marks, choice), "/signposts/" + id);
        }
        return back(id);
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/entries")
    ModelAndView addEntry(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Business business = context.business();
        Signposts.Signpost signpost = find(id);
        Map<String, String> faults = new HashMap<>();
        String title = typed.text("entryTitle");
        if (title.isEmpty() || title.length() > Signposts.MAX_TITLE) {
            faults.put("entryTitle", Texts.of("place.signposts.a-title-has-1-to", Signposts.MAX_TITLE));
        }
        Optional<Instant> first = moment("first", typed, business, faults);
        Optional<Instant> last = moment("last", typed, business, faults);
        if (first.isPresent() && last.isPresent() && !first.get().isBefore(last.get())) {
            faults.put("last", Texts.of("place.signposts.it-ends-before-it-begins"));
        }
        if (signpost.entries() >= Signposts.MAX_ENTRIES) {
            faults.put("entryTitle", Texts.of("place.signposts.a-signpost-has-room-for", Signposts.MAX_ENTRIES));
        }
        if (faults.isEmpty()) {
            try {
                UUID link = issue.entryLink(
                        signpost,
                        new SignpostIssue.WantedEntry(typed.text("address"), typed.text("source"), title),
                        context.person().name());
                signposts.addEntry(id, new StoredEntry(title, link, first, last));
                return back(id);
            } catch (SignpostIssue.LinkRefused e) {
                faults.put("address", String.valueOf(e.getMessage()));
            }
        }
        return InvalidForm.of(
                show(signpost, new Typed(signpost.title(), signpost.text(), typed), faults, context.choice()));
    }

    private static Optional<Instant> moment(
            String field, TypedFields typed, Business business, Map<String, String> faults) {
        String text = typed.text(field);
        try {
            return text.isEmpty()
                    ? Optional.empty()
                    : Optional.of(
                            LocalDateTime.parse(text).atZone(business.zone()).toInstant());
        } catch (DateTimeParseException e) {
            faults.put(field, Texts.of("place.signposts.enter-a-day-and-a"));
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
