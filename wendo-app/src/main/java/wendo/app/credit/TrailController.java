package wendo.app.credit;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
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
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.core.credit.ModelName;

/** One person's touches and outcomes, what each touch earned, and why it is one person. */
@Controller
@RequestMapping("/outcomes/{id}/trail")
class TrailController {
    private static final int MAX_TEXT = 254;

    private final Trails trails;

    TrailController(Trails trails) {
        this.trails = trails;
    }

    record TrailPage(
            UUID id,
            Trails.Found found,
            ModelName chosen,
            ModelName[] models,
            String typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id, @RequestParam("model") Optional<String> model) {
        return show(id, model, "", Map.of());
    }

    private ModelAndView show(UUID id, Optional<String> model, String typed, Map<String, String> faults) {
        ModelName chosen = model.flatMap(ModelName::find).orElse(ModelName.LAST_NON_DIRECT);
        Trails.Found found =
                trails.find(id, chosen).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return ViewRecord.of("credit/trail", new TrailPage(id, found, chosen, ModelName.values(), typed, faults));
    }

    /** Joins two outcomes that somebody knows are one person's. */
    @Needs(Permission.SET_UP)
    @PostMapping("/same")
    ModelAndView same(@PathVariable UUID id, @RequestParam(defaultValue = "") String other, CurrentPerson person) {
        String text = other.strip();
        String fault = text.isEmpty() || text.length() > MAX_TEXT
                ? Texts.of("credit.enter-the-other-outcomes-reference")
                : trails.merge(id, text, person.name());
        return fault.isEmpty()
                ? new ModelAndView("redirect:/outcomes/" + id + "/trail")
                : InvalidForm.of(show(id, Optional.empty(), text, Map.of("other", fault)));
    }

    /** Two outcomes, and whether they are to be one person's again. */
    record Pair(
            @NotNull UUID one,
            @NotNull UUID other,
            @Nullable Boolean again) {}

    /** Undoes a join, or makes it again. */
    @Needs(Permission.SET_UP)
    @PostMapping("/joins")
    String joins(@PathVariable UUID id, @Valid @ModelAttribute Pair pair, CurrentPerson person) {
        List<UUID> affected = Boolean.TRUE.equals(pair.again())
                ? trails.joinAgain(pair.one(), pair.other(), person.name())
                : trails.part(pair.one(), pair.other(), person.name());
        return affected.isEmpty() ? "redirect:/outcomes/" + id + "/trail" : "redirect:/outcomes/" + id + "/trail#joins";
    }
}
