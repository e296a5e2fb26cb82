package wendo.app.lead.handover;

import java.io.IOException;
import java.util.ArrayList;
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
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.sending.Clips;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Follow-up plans, and the pictures and clips that go along with their messages. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/follow-up")
class PlanController {
    private final Plans plans;
    private final Clips clips;

    PlanController(Plans plans, Clips clips) {
        this.plans = plans;
        this.clips = clips;
    }

    record PlanPage(
            Optional<UUID> id,
            Integer version,
            String name,
            List<Plans.Step> steps,
            List<String> kinds,
            List<Clips.Listed> clips,
            List<String> fields,
            Map<String, String> faults,
            boolean maySetUp) {}

    @GetMapping("/new")
    ModelAndView fresh(CurrentPerson person) {
        return page(Optional.empty(), new PlanForm("", List.of(), Map.of()), person);
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, CurrentPerson person) {
        Plans.Plan plan = find(id);
        return page(Optional.of(id), new PlanForm(plan.name(), plan.steps(), Map.of()), person);
    }

    @PostMapping("/new")
    ModelAndView add(TypedFields typed, CurrentPerson person) {
        return save(Optional.empty(), typed, person);
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        find(id);
        return save(Optional.of(id), typed, person);
    }

    private ModelAndView save(Optional<UUID> id, TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        PlanForm read =
                PlanForm.of(typed, clips.list().stream().map(Clips.Listed::id).toList());
        if (!read.faults().isEmpty()) {
            return InvalidForm.of(page(id, read, person));
        }
        try {
            return UniqueKey.stored(() -> save(id, read, typed))
                    .map(saved -> new ModelAndView("redirect:/setup/follow-up/" + saved))
                    .orElseGet(() -> InvalidForm.of(page(
                            id, read.with(Map.of("name", Texts.of("lead.handover.there-is-a-plan-with"))), person)));
        } catch (OptimisticLockingFailureException e) {
            Plans.Plan theirs = find(id.orElseThrow());
            Map<String, String> marks = EditConflict.marks(
                    PlanForm.fields(read.name(), read.steps()), PlanForm.fields(theirs.name(), theirs.steps()));
            return EditConflict.of(page(id, read.with(marks), person), "/setup/follow-up/" + theirs.id());
        }
    }

    private UUID save(Optional<UUID> id, PlanForm read, TypedFields typed) {
        if (id.isEmpty()) {
            return plans.add(read.name(), read.steps());
        }
        plans.change(id.get(), EditedVersion.of(typed.raw("version")), read.name(), read.steps());
        return id.get();
    }

    @PostMapping("/clips")
    ModelAndView bring(
            @RequestParam Optional<MultipartFile> file,
            @RequestParam(defaultValue = "new") String back,
            CurrentPerson person)
            throws IOException {
        person.mustBeAllowedToSetUp();
        byte[] bytes = file.isPresent() ? file.get().getBytes() : new byte[0];
        Optional<String> type = Clips.type(bytes);
        if (type.isEmpty() || bytes.length > Clips.MAX_BYTES) {
            String fault = bytes.length > Clips.MAX_BYTES
                    ? Texts.of("lead.handover.it-is-over-2-mb")
                    : Texts.of("lead.handover.choose-a-png-jpeg-or");
            return InvalidForm.of(page(Optional.empty(), new PlanForm("", List.of(), Map.of("clip", fault)), person));
        }
        String name = Optional.ofNullable(file.orElseThrow().getOriginalFilename())
                .orElse("clip")
                .replaceAll("^.*[/\\\\]", "");
        clips.add(name.length() <= 120 ? name : name.substring(name.length() - 120), type.get(), bytes, person.name());
        return new ModelAndView("redirect:/setup/follow-up/" + (back.matches("[0-9a-f-]{36}") ? back : "new"));
    }

    /** Rows that are empty are there to be filled in. */
    private ModelAndView page(Optional<UUID> id, PlanForm form, CurrentPerson person) {
        List<Plans.Step> rows = new ArrayList<>(form.steps());
        while (rows.size() < Math.min(Plans.MAX_STEPS, Math.max(3, form.steps().size() + 1))) {
            rows.add(Plans.Step.empty());
        }
        return ViewRecord.of(
                "lead/handover/plan",
                new PlanPage(
                        id,
                        id.map(one -> find(one).version()).orElse(0),
                        form.name(),
                        rows,
                        List.of("email", "text", "voice", "task"),
                        clips.list(),
                        HandoverForm.FIELDS,
                        form.faults(),
                        person.role().maySetUp()));
    }

    private Plans.Plan find(UUID id) {
        return plans.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
