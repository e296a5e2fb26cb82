package wendo.app.desk.today;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.verdict.ComparisonSummary;
import wendo.app.compare.verdict.CostPicture;
import wendo.app.desk.welcome.FirstSteps;
import wendo.app.issue.alerts.LinkAlerts;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.ViewRecord;
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
    private final FirstSteps firstSteps;
    private final Ribbons ribbons;
    private final Clock clock;

    TodayController(
            TodayQueries queries,
            Tasks tasks,
            SnoozedTasks putOffs,
            Comparisons comparisons,
            LinkAlerts alerts,
            FirstSteps firstSteps,
            Ribbons ribbons,
            Clock clock) {
        this.queries = queries;
        this.tasks = tasks;
        this.putOffs = putOffs;
        this.comparisons = comparisons;
        this.alerts = alerts;
        this.firstSteps = firstSteps;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** @param putOff tasks that were put off to a later day */
    record TodayPage(
            TodaySentence sentence,
            List<FirstSteps.Shown> firstSteps,
            List<WeekFigure> weekFigures,
            ComparisonSummary answer,
            CostPicture costs,
            List<Task> tasks,
            List<Task> putOff,
            LocalDate nextWeek,
            List<LinkAlerts.Alert> alerts,
            List<TodayQueries.Arrival> arrivals,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @GetMapping
    ModelAndView page(PageContext context) {
        LocalDate today = context.business().today(clock);
        Comparison now = comparisons.compare(context.period(), context.business(), CompareChoice.usual());
        List<Task> all = tasks.of(context.person(), context.business(), now, context.period());
        Map<String, LocalDate> until = putOffs.after(today);
        List<TodayQueries.Brought> weeks = queries.weeks(today, context.zone());
        return ViewRecord.of(
                "desk/today/page",
                new TodayPage(
                        TodaySentence.of(
                                queries.brought(Period.ofDays(today, today), context.zone()),
                                weeks.get(0),
                                weeks.get(1),
                                context.figures()),
                        context.person().may(Permission.SET_UP) ? firstSteps.list() : List.of(),
                        WeekFigure.of(weeks, context.figures()),
                        ComparisonSummary.of(now, CompareChoice.usual(), context.figures()),
                        CostPicture.of(now, CompareChoice.usual().kind(), context.figures()),
                        all.stream()
                                .filter(task -> !until.containsKey(task.key()))
                                .toList(),
                        all.stream()
                                .flatMap(task ->
                                        Optional.ofNullable(until.get(task.key())).map(task::withPutOff).stream())
                                .toList(),
                        today.plusDays(7),
                        alerts.told(context.person().id()),
                        queries.arrivals(),
                        context.choice(),
                        ribbons.draw(context.choice())));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/first-steps/dismiss")
    String dismissFirstSteps(PeriodChoice choice) {
        firstSteps.dismiss();
        return "redirect:/today?" + choice.query();
    }

    @GetMapping("/arrivals")
    ModelAndView arrivals() {
        return new ModelAndView("desk/today/page :: arrivals", "arrivals", queries.arrivals());
    }

    @Needs(Permission.ISSUE)
    @PostMapping("/put-off")
    String putOff(@RequestParam String key, @RequestParam String until, PageContext context) {
        LocalDate today = context.business().today(clock);
        LocalDate day = day(until)
                .filter(one -> one.isAfter(today) && !one.isAfter(today.plusDays(MAX_DAYS)))
                .filter(one -> !key.isBlank() && key.length() <= SnoozedTasks.MAX_KEY)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        putOffs.putOff(key, day, context.person().name());
        return "redirect:/today?" + context.choice().query();
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
