package wendo.app.desk.today;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import wendo.app.compare.crosscheck.CrossChecks;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.verdict.VerdictChange;
import wendo.app.compare.verdict.VerdictChanges;
import wendo.app.money.spend.Spends;
import wendo.app.outcome.outcomes.OutcomeReviews;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.visit.visits.VisitPipeline;
import wendo.core.measure.Period;

/** Gathers what needs a person, most urgent first. */
@Component
class Tasks {
    private static final Duration QUIET_AFTER = Duration.ofDays(7);
    private static final int MOST_SPENDS = 5;
    private static final int MOST_COUNTS = 5;

    private final TodayQueries queries;
    private final Spends spends;
    private final VerdictChanges verdicts;
    private final CrossChecks crossChecks;
    private final OutcomeReviews reviews;
    private final VisitPipeline visits;
    private final Clock clock;

    Tasks(
            TodayQueries queries,
            Spends spends,
            VerdictChanges verdicts,
            CrossChecks crossChecks,
            OutcomeReviews reviews,
            VisitPipeline visits,
            Clock clock) {
        this.queries = queries;
        this.spends = spends;
        this.verdicts = verdicts;
        this.crossChecks = crossChecks;
        this.reviews = reviews;
        this.visits = visits;
        this.clock = clock;
    }

    /**
     * Those that this person may see to.
     *
     * @param now the usual comparison of the period
     */
    List<Task> of(CurrentPerson person, Business business, Comparison now, Period period) {
        LocalDate today = business.today(clock);
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        List<Task> tasks = new ArrayList<>();
        addDisk(tasks);
        addDestinations(tasks);
        addLeads(tasks);
        addReviews(tasks);
        verdicts.sinceAWeek(now, period, business, today).forEach(change -> addVerdict(tasks, change));
        crossChecks.disagreements(business.zone()).stream()
                .limit(MOST_COUNTS)
                .forEach(count -> addCount(tasks, count, figures));
        addCodes(tasks);
        addLinks(tasks, today, figures);
        addSpend(tasks, period, figures);
        addUnjoined(tasks, business, today);
        tasks.removeIf(task -> !person.may(task.needs()));
        return tasks;
    }

    /** Links lead on all the same, but somebody has to make room. */
    private void addDisk(List<Task> tasks) {
        int late = visits.late();
        if (late > 0 || visits.lost() > 0) {
            tasks.add(Task.of(
                    Permission.SEE,
                    "disk",
                    "The disk is full: visits are not being saved",
                    "Links still work. %d %s in memory, %d could not be kept. Free up space on the server."
                            .formatted(late, late == 1 ? "visit waits" : "visits wait", visits.lost()),
                    "/links",
                    "Links"));
        }
    }

    private void addDestinations(List<Task> tasks) {
        for (TodayQueries.Wanting page : queries.failingDestinations()) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "destination:" + page.id(),
                    "A page does not answer: " + page.name(),
                    page.number() == 1 ? "1 link leads to it." : page.number() + " links lead to it.",
                    "/setup/destinations/" + page.id(),
                    "See the page"));
        }
    }

    private void addLeads(List<Task> tasks) {
        long leads = queries.leadsOfNobody();
        if (leads > 0) {
            tasks.add(Task.of(
                    Permission.WORK_LEADS,
                    "leads",
                    leads == 1 ? "1 lead is nobody's" : leads + " leads are nobody's",
                    "Give them to somebody, or say who gets leads from now on.",
                    "/leads?whose=nobodys",
                    "See them"));
        }
    }

    private void addReviews(List<Task> tasks) {
        long waiting = reviews.count();
        if (waiting > 0) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "reviews",
                    waiting == 1 ? "1 report to review" : waiting + " reports to review",
                    "They may not be yours, so they count nowhere yet.",
                    "/outcomes/review",
                    "Review"));
        }
    }

    private static void addVerdict(List<Task> tasks, VerdictChange change) {
        tasks.add(Task.of(
                Permission.SEE,
                "verdict:%s:%s".formatted(change.source(), change.now()),
                "%s is %s now".formatted(change.name(), change.now()),
                "A week ago it was %s, going by bookings.".formatted(change.before()),
                "/compare/one?key=" + change.source(),
                "See why"));
    }

    private static void addCount(List<Task> tasks, CrossChecks.Disagreement count, Figures figures) {
        tasks.add(Task.of(
                Permission.SEE,
                "count:" + count.id(),
                "%s counts %s %s for %s, we count %s"
                        .formatted(
                                count.system(),
                                figures.count(count.counts().theirs()),
                                count.counted(),
                                count.source(),
                                figures.count(count.counts().ours())),
                "%s – %s, further apart than the tolerance of %s."
                        .formatted(
                                figures.shortDay(count.firstDay()),
                                figures.day(count.lastDay()),
                                figures.wholePercent(count.tolerancePercent() / 100.0)),
                "/compare/cross-checks/" + count.id(),
                "See why"));
    }

    private void addCodes(List<Task> tasks) {
        long codes = queries.codesOfNothing();
        if (codes > 0) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "codes",
                    codes == 1 ? "1 code matches no source" : codes + " codes match no source",
                    "They were given with outcomes. Say which source each stands for.",
                    "/setup/codes",
                    "Match codes"));
        }
    }

    private void addLinks(List<Task> tasks, LocalDate today, Figures figures) {
        for (TodayQueries.Unvisited link : queries.neverVisited(clock.instant().minus(QUIET_AFTER), today)) {
            tasks.add(Task.of(
                    Permission.ISSUE,
                    "link:" + link.id(),
                    link.name() + " was never opened",
                    link.placedOn()
                            .map(day -> "It was placed on %s. Does it read right there?".formatted(figures.day(day)))
                            .orElse("It was issued over a week ago. Was it placed, and does it read right?"),
                    "/links/" + link.id() + "/proof",
                    "Prove it"));
        }
    }

    private void addSpend(List<Task> tasks, Period period, Figures figures) {
        spends.missing(period).stream()
                .limit(MOST_SPENDS)
                .forEach(source -> tasks.add(Task.of(
                        Permission.SET_UP,
                        "spend:" + source.source(),
                        "Spend is missing for " + source.name(),
                        "%s people came by it in this period; without spend it has no cost and is not judged."
                                .formatted(figures.count(source.people())),
                        "/spend",
                        "Enter spend")));
    }

    private void addUnjoined(List<Task> tasks, Business business, LocalDate today) {
        long unjoined = queries.unjoinedSince(today.minusDays(6), business.zone());
        if (unjoined > 0) {
            tasks.add(Task.of(
                    Permission.SEE,
                    "unjoined",
                    unjoined == 1 ? "1 outcome has no known source" : unjoined + " outcomes have no known source",
                    "In the last 7 days. The ledger says what is missing with each.",
                    "/outcomes?period=7d",
                    "See the ledger"));
        }
    }
}
