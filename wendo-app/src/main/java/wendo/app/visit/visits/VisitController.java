package wendo.app.visit.visits;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.VisitKeeping;
import wendo.app.platform.site.InvalidForm;
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
            boolean keepsCookie,
            String months,
            Optional<VisitSettings.Rebuilt> rebuilt,
            Map<String, String> faults,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        VisitKeeping kept = businesses.visitKeeping();
        return show(kept.keepsCookie(), String.valueOf(kept.months()), Map.of(), person);
    }

    private ModelAndView show(boolean keepsCookie, String months, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "visit/visits/page",
                new VisitPage(
                        keepsCookie,
                        months,
                        settings.lastRebuilt(),
                        faults,
                        person.role().maySetUp()));
    }

    @PostMapping
    ModelAndView change(
            @RequestParam(defaultValue = "false") boolean cookie,
            @RequestParam(defaultValue = "") String months,
            CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        int wanted = months.strip().matches("\\d{1,2}") ? Integer.parseInt(months.strip()) : 0;
        if (wanted < VisitKeeping.MIN_MONTHS || wanted > VisitKeeping.MAX_MONTHS) {
            String fault =
                    "A whole number of months, %d to %d.".formatted(VisitKeeping.MIN_MONTHS, VisitKeeping.MAX_MONTHS);
            return InvalidForm.of(show(cookie, months, Map.of("months", fault), person));
        }
        businesses.changeVisitKeeping(new VisitKeeping(cookie, wanted));
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
