package wendo.app.handover;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
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
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.sending.Clips;
import wendo.app.site.Refusal;

/** Follow-up plans, and the pictures and clips that go along with their messages. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/follow-up")
class PlanPages {
    private final Plans plans;
    private final Clips clips;

    PlanPages(Plans plans, Clips clips) {
        this.plans = plans;
        this.clips = clips;
    }

    @GetMapping("/new")
    ModelAndView fresh(CurrentPerson person) {
        return page(Optional.empty(), "", List.of(), Map.of(), person);
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, CurrentPerson person) {
        Plans.Plan plan = find(id);
        return page(Optional.of(id), plan.name(), plan.steps(), Map.of(), person);
    }

    @PostMapping("/new")
    ModelAndView add(@RequestParam Map<String, String> typed, CurrentPerson person) {
        return keep(Optional.empty(), typed, person);
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, @RequestParam Map<String, String> typed, CurrentPerson person) {
        find(id);
        return keep(Optional.of(id), typed, person);
    }

    private ModelAndView keep(Optional<UUID> id, Map<String, String> typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        PlanTyped read =
                PlanTyped.of(typed, clips.list().stream().map(Clips.Listed::id).toList());
        Map<String, String> faults = new HashMap<>(read.faults());
        if (!faults.containsKey("name") && plans.isTaken(read.name(), id)) {
            faults.put("name", "There is a plan of this name.");
        }
        if (!faults.isEmpty()) {
            return Refusal.of(page(id, read.name(), read.steps(), faults, person));
        }
        UUID plan = id.orElseGet(() -> plans.add(read.name()));
        plans.keep(plan, read.name(), read.steps());
        return new ModelAndView("redirect:/setup/follow-up/" + plan);
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
                    ? "It has more than 2 MB, which many phones and mail servers refuse. Make it smaller."
                    : "Choose a PNG, JPEG or GIF picture, an MP3 recording or an MP4 clip.";
            return Refusal.of(page(Optional.empty(), "", List.of(), Map.of("clip", fault), person));
        }
        String name = Optional.ofNullable(file.orElseThrow().getOriginalFilename())
                .orElse("clip")
                .replaceAll("^.*[/\\\\]", "");
        clips.add(name.length() <= 120 ? name : name.substring(name.length() - 120), type.get(), bytes, person.name());
        return new ModelAndView("redirect:/setup/follow-up/" + (back.matches("[0-9a-f-]{36}") ? back : "new"));
    }

    /** Rows that are empty are there to be filled in. */
    private ModelAndView page(
            Optional<UUID> id, String name, List<Plans.Step> steps, Map<String, String> faults, CurrentPerson person) {
        List<Plans.Step> rows = new ArrayList<>(steps);
        while (rows.size() < Math.min(Plans.MAX_STEPS, Math.max(3, steps.size() + 1))) {
            rows.add(Plans.Step.empty());
        }
        return new ModelAndView("handover/plan")
                .addObject("id", id)
                .addObject("name", name)
                .addObject("steps", rows)
                .addObject("kinds", List.of("email", "text", "voice", "task"))
                .addObject("clips", clips.list())
                .addObject("fields", HandoverTyped.FIELDS)
                .addObject("faults", faults)
                .addObject("maySetUp", person.role().maySetUp());
    }

    private Plans.Plan find(UUID id) {
        return plans.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
