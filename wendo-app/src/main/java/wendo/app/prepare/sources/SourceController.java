package wendo.app.prepare.sources;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
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
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.credit.LookbackWindows;
import wendo.core.links.Channel;

/** The list of sources, one source, and the channels' lookback windows. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/sources")
class SourceController {
    private static final int MAX_REASON = Limits.REASON;

    private final Sources sources;
    private final SourceQueries queries;
    private final SourceMerging merging;
    private final List<SourceMergeGuard> guards;
    private final ChannelWindows windows;
    private final Accounts accounts;
    private final ApplicationEventPublisher events;

    SourceController(
            Sources sources,
            SourceQueries queries,
            SourceMerging merging,
            List<SourceMergeGuard> guards,
            ChannelWindows windows,
            Accounts accounts,
            ApplicationEventPublisher events) {
        this.sources = sources;
        this.queries = queries;
        this.merging = merging;
        this.guards = guards;
        this.windows = windows;
        this.accounts = accounts;
        this.events = events;
    }

    record MergePreview(SourceListed mergeInto, SourceMerging.Moves moves, String reason) {}

    record SourceListPage(
            SourceForm form,
            Map<String, String> faults,
            List<SourceQueries.Row> rows,
            Channel[] channels,
            List<Colleague> colleagues,
            Map<String, String> windowDays,
            int windowsVersion,
            boolean maySetUp) {}

    record SourcePage(
            int version,
            SourceForm form,
            Map<String, String> faults,
            SourceQueries.Row source,
            List<SourceListed> others,
            List<SourceMerging.Done> history,
            Channel[] channels,
            List<Colleague> colleagues,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView list(CurrentPerson person) {
        return list(SourceForm.empty(), Map.of(), typed(windows.current()), person);
    }

    @PostMapping
    ModelAndView add(@ModelAttribute SourceForm form, CurrentPerson person) {
        Map<String, String> faults = form.faults(accounts.colleagues());
        Optional<SourceListed> known = faults.isEmpty()
                ? Optional.ofNullable(sources.byIdentifierAndTag()
                        .get(wendo.core.links.Tag.of(form.name()).value()))
                : Optional.empty();
        if (known.isPresent()) {
            faults = Map.of(
                    "name",
                    Texts.of(
                            "prepare.sources.that-is-which-is-there",
                            known.get().name()));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(list(form, faults, typed(windows.current()), person));
        }
        SourceForm.Checked checked = form.checked(accounts.colleagues());
        UUID id = sources.findOrCreate(checked.name(), checked.channel()).id();
        sources.describe(id, EditedVersion.any(), checked);
        return new ModelAndView("redirect:/setup/sources");
    }

    @PostMapping("/windows")
    ModelAndView changeWindows(TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Map<Channel, Integer> days = new EnumMap<>(Channel.class);
        Map<String, String> kept = new HashMap<>();
        for (Channel channel : Channel.values()) {
            String text = typed.raw(channel.key()).strip();
            kept.put(channel.key(), text);
            days.put(channel, text.matches("\\d{1,4}") ? Integer.parseInt(text) : 0);
        }
        try {
            windows.change(EditedVersion.of(typed.raw("version")), new LookbackWindows(days));
            events.publishEvent(new WindowsChanged(BusinessScope.current()));
            return new ModelAndView("redirect:/setup/sources#windows");
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(kept, typed(windows.current()));
            return EditConflict.of(list(SourceForm.empty(), marks, kept, person), "/setup/sources");
        } catch (IllegalArgumentException e) {
            return InvalidForm.of(list(
                    SourceForm.empty(),
                    Map.of("windows", Texts.of("prepare.sources.a-window-is-a-whole", LookbackWindows.MAX_DAYS)),
                    kept,
                    person));
        }
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, CurrentPerson person) {
        return page(id, sources.form(id).orElseThrow(SourceController::unknown), Map.of(), person);
    }

    @PostMapping("/{id}")
    ModelAndView change(
            @PathVariable UUID id,
            @ModelAttribute SourceForm form,
            @RequestParam(defaultValue = "") String version,
            CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Map<String, String> faults = form.faults(accounts.colleagues());
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(id, form, faults, person));
        }
        mustExist(id);
        try {
            sources.describe(id, EditedVersion.of(version), form.checked(accounts.colleagues()));
        } catch (OptimisticLockingFailureException e) {
            SourceForm theirs = sources.form(id).orElseThrow();
            return EditConflict.of(page(id, form, EditConflict.marks(form, theirs), person), "/setup/sources/" + id);
        }
        return new ModelAndView("redirect:/setup/sources/" + id);
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        mustExist(id);
        sources.archive(id, away);
        return "redirect:/setup/sources/" + id;
    }

    /** Without a confirmation it shows what would move. */
    @PostMapping("/{id}/merge")
    ModelAndView merge(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        String into = typed.text("into");
        String reason = typed.text("reason");
        person.mustBeAllowedToSetUp();
        SourceListed merged = sources.find(id).orElseThrow(SourceController::unknown);
        Optional<SourceListed> kept = sources.list().stream()
                .filter(source ->
                        source.id().toString().equals(into) && !source.id().equals(id))
                .findFirst();
        if (kept.isEmpty() || reason.length() > MAX_REASON) {
            String fault = kept.isEmpty()
                    ? Texts.of("prepare.sources.choose-the-source-to-merge")
                    : Texts.of("prepare.sources.a-reason-may-have-characters", MAX_REASON, reason.length());
            return InvalidForm.of(page(id, sources.form(id).orElseThrow(), Map.of("into", fault), person))
                    .addObject("reason", reason);
        }
        Optional<String> refusal =
                guards.stream().flatMap(guard -> guard.refusal(id).stream()).findFirst();
        if (refusal.isPresent()) {
            return InvalidForm.of(page(id, sources.form(id).orElseThrow(), Map.of("into", refusal.get()), person))
                    .addObject("reason", reason);
        }
        if (!typed.is("confirmed", "true")) {
            return ViewRecord.with(
                    page(id, sources.form(id).orElseThrow(), Map.of(), person),
                    new MergePreview(kept.get(), merging.moves(id), reason));
        }
        if (!merging.merge(kept.get().id(), merged.id(), reason, person.name())) {
            return InvalidForm.of(page(
                    id,
                    sources.form(id).orElseThrow(),
                    Map.of("into", Texts.of("prepare.sources.one-of-the-two-was")),
                    person));
        }
        return new ModelAndView("redirect:/setup/sources/" + kept.get().id());
    }

    private static Map<String, String> typed(LookbackWindows windows) {
        Map<String, String> typed = new HashMap<>();
        windows.days().forEach((channel, days) -> typed.put(channel.key(), days.toString()));
        return typed;
    }

    private ModelAndView list(
            SourceForm form, Map<String, String> faults, Map<String, String> windowDays, CurrentPerson person) {
        return ViewRecord.of(
                "prepare/sources/list",
                new SourceListPage(
                        form,
                        faults,
                        queries.list(),
                        Channel.values(),
                        accounts.colleagues(),
                        windowDays,
                        windows.version(),
                        person.role().maySetUp()));
    }

    private ModelAndView page(UUID id, SourceForm form, Map<String, String> faults, CurrentPerson person) {
        List<SourceListed> others = sources.list().stream()
                .filter(source -> !source.id().equals(id))
                .toList();
        return ViewRecord.of(
                "prepare/sources/page",
                new SourcePage(
                        sources.version(id),
                        form,
                        faults,
                        queries.find(id).orElseThrow(SourceController::unknown),
                        others,
                        merging.history(id),
                        Channel.values(),
                        accounts.colleagues(),
                        person.role().maySetUp()));
    }

    private void mustExist(UUID id) {
        if (sources.find(id).isEmpty()) {
            throw unknown();
        }
    }

    private static ResponseStatusException unknown() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
