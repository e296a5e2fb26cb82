package wendo.app.visit.visits;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.VisitKeeping;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** How visitors are told apart, how long their visits are kept, and the daily sums. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/visits")
class VisitController {
    private final Businesses businesses;
    private final VisitSettings settings;
    private final SchedulerClient jobs;

    VisitController(Businesses businesses, VisitSettings settings, SchedulerClient jobs) {
        this.businesses = businesses;
        this.settings = settings;
        this.jobs = jobs;
    }

    record VisitPage(
            int version,
            boolean keepsCookie,
            String months,
            Optional<VisitSettings.Rebuilt> rebuilt,
            Map<String, String> faults,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        VisitKeeping kept = businesses.visitKeeping();
        return show(fields(kept), Map.of(), person);
    }

    private static Map<String, String> fields(VisitKeeping kept) {
        return Map.of("cookie", String.valueOf(kept.keepsCookie()), "months", String.valueOf(kept.months()));
    }

    private ModelAndView show(Map<String, String> typed, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "visit/visits/page",
                new VisitPage(
                        EditedVersion.ofContent(businesses.visitKeeping()),
                        "true".equals(typed.get("cookie")),
                        typed.getOrDefault("months", ""),
                        settings.lastRebuilt(),
                        faults,
                        person.role().maySetUp()));
    }

    @PostMapping
    ModelAndView change(TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        String months = typed.text("months");
        int wanted = months.matches("\\d{1,2}") ? Integer.parseInt(months) : 0;
        if (wanted < VisitKeeping.MIN_MONTHS || wanted > VisitKeeping.MAX_MONTHS) {
            String fault =
                    Texts.of("visit.visits.a-whole-number-of-months", VisitKeeping.MIN_MONTHS, VisitKeeping.MAX_MONTHS);
            return InvalidForm.of(show(typed.firstValues(), Map.of("months", fault), person));
        }
        VisitKeeping keeping = new VisitKeeping(typed.is("cookie", "true"), wanted);
        try {
            businesses.changeVisitKeeping(EditedVersion.of(typed.raw("version")), keeping);
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(fields(keeping), fields(businesses.visitKeeping()));
            return EditConflict.of(show(typed.firstValues(), marks, person), "/setup/visits");
        }
        return new ModelAndView("redirect:/setup/visits");
    }

    @PostMapping("/sums")
    String rebuild(Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (settings.askForSums(person.name())) {
            jobs.scheduleIfNotExists(
                    new TaskInstance<>(
                            VisitJobs.SUMS,
                            UUID.randomUUID().toString(),
                            new VisitJobs.Job(business.id().value())),
                    Instant.now());
        }
        return "redirect:/setup/visits";
    }
}
