package wendo.app.today;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.business.Business;
import wendo.app.compare.Answer;
import wendo.app.compare.CompareChoice;
import wendo.app.compare.Comparisons;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.core.measure.Period;

/** The first screen of the day. */
@Controller
@RequestMapping("/today")
class TodayPages {
    private static final Duration QUIET_AFTER = Duration.ofDays(7);

    private final TodayQueries queries;
    private final Comparisons comparisons;
    private final Ribbons ribbons;
    private final Clock clock;

    TodayPages(TodayQueries queries, Comparisons comparisons, Ribbons ribbons, Clock clock) {
        this.queries = queries;
        this.comparisons = comparisons;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** Something that needs a person, and where it is put right. */
    record Task(String what, String why, String address, String action) {}

    @GetMapping
    String page(PeriodChoice choice, Business business, Model model) {
        LocalDate today = business.today(clock);
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        model.addAttribute(
                "sentence",
                TodaySentence.of(
                        queries.brought(Period.ofDays(today, today), business.zone()),
                        queries.brought(Period.ofDays(today.minusDays(7), today.minusDays(1)), business.zone()),
                        queries.brought(Period.ofDays(today.minusDays(14), today.minusDays(8)), business.zone()),
                        figures));
        model.addAttribute(
                "answer",
                Answer.of(
                        comparisons.compare(choice.period(), business, CompareChoice.usual()),
                        CompareChoice.usual(),
                        figures));
        model.addAttribute("tasks", tasks(business, today, choice.period()));
        model.addAttribute("arrivals", queries.arrivals());
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        return "today/page";
    }

    @GetMapping("/arrivals")
    String arrivals(Model model) {
        model.addAttribute("arrivals", queries.arrivals());
        return "today/page :: arrivals";
    }

    private List<Task> tasks(Business business, LocalDate today, Period period) {
        List<Task> tasks = new ArrayList<>();
        for (TodayQueries.Wanting source : queries.withoutSpend(period)) {
            tasks.add(new Task(
                    "Spend is missing for " + source.name(),
                    "%d people came by it in this period; without spend it has no cost.".formatted(source.number()),
                    "/spend",
                    "Enter spend"));
        }
        for (TodayQueries.Wanting link : queries.neverVisited(clock.instant().minus(QUIET_AFTER))) {
            tasks.add(new Task(
                    link.name() + " was never opened",
                    "It was issued over a week ago. Was it placed, and does it read right?",
                    "/links/" + link.id() + "/proof",
                    "Prove it"));
        }
        long leads = queries.leadsOfNobody();
        if (leads > 0) {
            tasks.add(new Task(
                    leads == 1 ? "1 lead is nobody's" : leads + " leads are nobody's",
                    "Give them to somebody, or say who gets leads from now on.",
                    "/leads?whose=nobodys",
                    "See them"));
        }
        long codes = queries.codesOfNothing();
        if (codes > 0) {
            tasks.add(new Task(
                    codes == 1 ? "1 code matches no source" : codes + " codes match no source",
                    "They were given with outcomes. Say which source each stands for.",
                    "/setup/codes",
                    "Match codes"));
        }
        long unjoined = queries.unjoinedSince(today.minusDays(6), business.zone());
        if (unjoined > 0) {
            tasks.add(new Task(
                    unjoined == 1 ? "1 outcome has no known source" : unjoined + " outcomes have no known source",
                    "In the last 7 days. The ledger says what is missing with each.",
                    "/outcomes?period=7d",
                    "See the ledger"));
        }
        return tasks;
    }
}
