package wendo.app.credit;

import java.util.HashMap;
import java.util.Map;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.core.credit.ModelName;
import wendo.core.credit.ModelRules;

/** How credit is shared, and how far its making anew is. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/attribution")
class AttributionController {
    private final Attribution attribution;

    AttributionController(Attribution attribution) {
        this.attribution = attribution;
    }

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        return show(fields(attribution.rules()), Map.of(), person);
    }

    private static Map<String, String> fields(ModelRules rules) {
        return Map.of(
                "first", String.valueOf(rules.firstPercent()),
                "last", String.valueOf(rules.lastPercent()),
                "halfLife", String.valueOf(rules.halfLifeDays()),
                "again", String.valueOf(rules.creditsAgain()));
    }

    /** What is under way, for a page that stays open. */
    @GetMapping("/progress")
    ModelAndView progress() {
        return new ModelAndView("credit/attribution :: progress").addObject("progress", attribution.progress());
    }

    private ModelAndView show(Map<String, String> typed, Map<String, String> faults, CurrentPerson person) {
        return new ModelAndView("credit/attribution")
                .addObject("typed", typed)
                .addObject("version", attribution.version())
                .addObject("faults", faults)
                .addObject("windows", attribution.windows())
                .addObject("models", ModelName.values())
                .addObject("learned", attribution.learned())
                .addObject("progress", attribution.progress())
                .addObject("maySetUp", person.role().maySetUp());
    }

    @PostMapping
    ModelAndView change(@RequestParam Map<String, String> typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Map<String, String> faults = new HashMap<>();
        int first = number(typed, "first", 0, 100, faults);
        int last = number(typed, "last", 0, 100, faults);
        int halfLife = number(typed, "halfLife", 1, ModelRules.MAX_HALF_LIFE_DAYS, faults);
        if (faults.isEmpty() && first + last > 100) {
            faults.put(
                    "last",
                    "The first and the last touch may have 100 %% together; these are %d %%.".formatted(first + last));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(typed, faults, person));
        }
        ModelRules rules = new ModelRules(
                first, last, halfLife, typed.getOrDefault("again", "").equals("true"));
        try {
            attribution.change(EditedVersion.of(typed.getOrDefault("version", "")), rules);
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(fields(rules), fields(attribution.rules()));
            return EditConflict.of(show(typed, marks, person), "/setup/attribution");
        }
        return new ModelAndView("redirect:/setup/attribution");
    }

    @PostMapping("/anew")
    String anew(CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        attribution.anew("%s asked for it".formatted(person.name()));
        return "redirect:/setup/attribution";
    }

    private static int number(
            Map<String, String> typed, String field, int least, int most, Map<String, String> faults) {
        String text = typed.getOrDefault(field, "").strip();
        int number = text.matches("\\d{1,4}") ? Integer.parseInt(text) : -1;
        if (number < least || number > most) {
            faults.put(field, "A whole number, %d to %d.".formatted(least, most));
        }
        return number;
    }
}
