package wendo.app.credit;

import java.time.temporal.ValueRange;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.credit.LookbackWindows;
import wendo.core.credit.ModelName;
import wendo.core.credit.ModelRules;
import wendo.core.outcomes.OutcomeKind;

/** How credit is shared, and how far a recalculation is. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/attribution")
class AttributionController {
    private final Attribution attribution;

    AttributionController(Attribution attribution) {
        this.attribution = attribution;
    }

    record AttributionPage(
            Map<String, String> typed,
            int version,
            Map<String, String> faults,
            LookbackWindows windows,
            ModelName[] models,
            Map<OutcomeKind, JourneyStore.Size> learned,
            Optional<CreditEditions.Progress> progress,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        return show(TypedFields.of(fields(attribution.rules())), Map.of(), person);
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
        return new ModelAndView("credit/attribution :: progress", "progress", attribution.progress());
    }

    private ModelAndView show(TypedFields typed, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "credit/attribution",
                new AttributionPage(
                        typed.firstValues(),
                        attribution.version(),
                        faults,
                        attribution.windows(),
                        ModelName.values(),
                        attribution.learned(),
                        attribution.progress(),
                        person.role().maySetUp()));
    }

    @PostMapping
    ModelAndView change(TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Map<String, String> faults = new HashMap<>();
        int first = number(typed, "first", ValueRange.of(0, 100), faults);
        int last = number(typed, "last", ValueRange.of(0, 100), faults);
        int halfLife = number(typed, "halfLife", ValueRange.of(1, ModelRules.MAX_HALF_LIFE_DAYS), faults);
        if (faults.isEmpty() && first + last > 100) {
            faults.put("last", Texts.of("credit.first-and-last-touch-may", first + last));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(typed, faults, person));
        }
        ModelRules rules =
                new ModelRules(first, last, halfLife, typed.raw("again").equals("true"));
        try {
            attribution.change(EditedVersion.of(typed.raw("version")), rules);
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(fields(rules), fields(attribution.rules()));
            return EditConflict.of(show(typed, marks, person), "/setup/attribution");
        }
        return new ModelAndView("redirect:/setup/attribution");
    }

    @PostMapping("/anew")
    String anew(CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        attribution.anew(Texts.kept("credit.requested-by", person.name()));
        return "redirect:/setup/attribution";
    }

    private static int number(TypedFields typed, String field, ValueRange allowed, Map<String, String> faults) {
        String text = typed.text(field);
        int number = text.matches("\\d{1,4}") ? Integer.parseInt(text) : -1;
        if (!allowed.isValidValue(number)) {
            faults.put(field, Texts.of("credit.a-whole-number-to", allowed.getMinimum(), allowed.getMaximum()));
        }
        return number;
    }
}
