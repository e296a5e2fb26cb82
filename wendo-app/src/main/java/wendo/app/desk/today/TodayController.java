package wendo.app.desk.today;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.verdict.ComparisonSummary;
import wendo.app.issue.alerts.LinkAlerts;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbons;
import wendo.core.measure.Period;

/** The first screen of the day. */
@Controller
@RequestMapping("/today")
class TodayController {
    private static final int MAX_DAYS = 366;

    private final TodayQueries queries;
    private final Tasks tasks;
    private final SnoozedTasks putOffs;
    private final Comparisons comparisons;
    private final LinkAlerts alerts;
    private final Ribbons ribbons;
    private final Clock clock;

    TodayController(
            TodayQueries queries,
            Tasks tasks,
            SnoozedTasks putOffs,
            Comparisons comparisons,
            LinkAlerts alerts,
            Ribbons ribbons,
            Clock clock) {
        this.queries = queries;
        this.tasks = tasks;
        this.putOffs = putOffs;
        this.comparisons = comparisons;
        this.alerts = alerts;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    @GetMapping
    String page(PeriodChoice choice, CurrentPerson person, Business business, Model model) {
        LocalDate today = business.today(clock);
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        model.addAttribute(
                "sentence",
                TodaySentence.of(
                        queries.brought(Period.ofDays(today, today), business.zone()),
                        queries.brought(Period.ofDays(today.minusDays(7), today.minusDays(1)), business.zone()),
                        queries.brought(Period.ofDays(today.minusDays(14), today.minusDays(8)), business.zone()),
                        figures));
        Comparison now = comparisons.compare(choice.period(), business, CompareChoice.usual());
        model.addAttribute("answer", ComparisonSummary.of(now, CompareChoice.usual(), figures));
        addTasks(tasks.of(person, business, now, choice.period()), today, model);
        model.addAttribute("alerts", alerts.told(person.id()));
        model.addAttribute("arrivals", queries.arrivals());
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        return "desk/today/page";
    }

    private void addTasks(List<Task> all, LocalDate today, Model model) {
        Map<String, LocalDate> until = putOffs.after(today);
        model.addAttribute(
                "tasks",
                all.stream().filter(task -> !until.containsKey(task.key())).toList());
        model.addAttribute(
                "putOff",
                all.stream()
                        .flatMap(task -> Optional.ofNullable(until.get(task.key())).map(task::withPutOff).stream())
                        .toList());
        model.addAttribute("tomorrow", today.plusDays(1));
        model.addAttribute("nextWeek", today.plusDays(7));
        model.addAttribute("farthest", today.plusDays(MAX_DAYS));
    }

    @GetMapping("/arrivals")
    String arrivals(Model model) {
        model.addAttribute("arrivals", queries.arrivals());
        return "desk/today/page :: arrivals";
    }

    @Needs(Permission.ISSUE)
    @PostMapping("/put-off")
    String putOff(
            @RequestParam String key,
            @RequestParam String until,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        LocalDate today = business.today(clock);
        LocalDate day = day(until)
                .filter(one -> one.isAfter(today) && !one.isAfter(today.plusDays(MAX_DAYS)))
                .filter(one -> !key.isBlank() && key.length() <= SnoozedTasks.MAX_KEY)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        putOffs.putOff(key, day, person.name());
        return "redirect:/today?" + choice.query();
    }

    @Needs(Permission.ISSUE)
    @PostMapping("/bring-back")
    String bringBack(@RequestParam String key, PeriodChoice choice) {
        putOffs.bringBack(key);
        return "redirect:/today?" + choice.query();
    }

    private static Optional<LocalDate> day(String text) {
        try {
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
