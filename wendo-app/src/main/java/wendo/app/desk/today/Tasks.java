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
import wendo.app.platform.site.Texts;
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
        addPartners(tasks);
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
                    new Task.Said(
                            Texts.of("desk.today.the-disk-is-full-visits"),
                            Texts.of("desk.today.visits-wait-in-memory", late, visits.lost())),
                    new Task.Way("/links", Texts.of("common.links"))));
        }
    }

    private void addDestinations(List<Task> tasks) {
        for (TodayQueries.Wanting page : queries.failingDestinations()) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "destination:" + page.id(),
                    new Task.Said(
                            Texts.of("desk.today.page-does-not-answer", page.name()),
                            Texts.of("desk.today.links-lead-to-it", page.number())),
                    new Task.Way("/setup/destinations/" + page.id(), Texts.of("desk.today.view-page"))));
        }
    }

    private void addLeads(List<Task> tasks) {
        long leads = queries.leadsOfNobody();
        if (leads > 0) {
            tasks.add(Task.of(
                    Permission.WORK_LEADS,
                    "leads",
                    new Task.Said(
                            Texts.of("desk.today.leads-unassigned", leads),
                            Texts.of("desk.today.assign-them-or-set-who")),
                    new Task.Way("/leads?whose=nobodys", Texts.of("desk.today.view-leads"))));
        }
    }

    private void addReviews(List<Task> tasks) {
        long waiting = reviews.count();
        if (waiting > 0) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "reviews",
                    new Task.Said(
                            Texts.of("desk.today.reports-to-review", waiting),
                            Texts.of("desk.today.they-may-not-be-yours")),
                    new Task.Way("/outcomes/review", Texts.of("desk.today.review"))));
        }
    }

    private void addPartners(List<Task> tasks) {
        long waiting = queries.registrations();
        if (waiting > 0) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "registrations:" + waiting,
                    new Task.Said(
                            Texts.of("money.registration.waiting", waiting), Texts.of("desk.today.approve-or-decline")),
                    new Task.Way("/partners/registrations", Texts.of("desk.today.answer"))));
        }
        for (TodayQueries.Asking one : queries.askingPartners()) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "partner:%s:%d:%d".formatted(one.id(), one.claims(), one.messages()),
                    new Task.Said(
                            Texts.of("desk.today.partner-waits", one.name()),
                            Texts.of("desk.today.partner-claims-and-asks", one.claims(), one.messages())),
                    new Task.Way("/partners/%s/exchange".formatted(one.id()), Texts.of("desk.today.answer"))));
        }
    }

    private static void addVerdict(List<Task> tasks, VerdictChange change) {
        tasks.add(Task.of(
                Permission.SEE,
                "verdict:%s:%s".formatted(change.source(), change.now()),
                new Task.Said(
                        Texts.of("desk.today.is-now", change.name(), change.now()),
                        Texts.of("desk.today.a-week-ago-it-was", change.before())),
                new Task.Way("/compare/one?key=" + change.source(), Texts.of("desk.today.view-why"))));
    }

    private static void addCount(List<Task> tasks, CrossChecks.Disagreement count, Figures figures) {
        tasks.add(Task.of(
                Permission.SEE,
                "count:" + count.id(),
                new Task.Said(
                        Texts.of(
                                "desk.today.count-disagrees",
                                count.source(),
                                count.system(),
                                figures.count(count.counts().theirs()),
                                count.counted(),
                                figures.count(count.counts().ours())),
                        Texts.of(
                                "desk.today.further-apart-than-the-tolerance",
                                figures.shortDay(count.firstDay()),
                                figures.day(count.lastDay()),
                                figures.wholePercent(count.tolerancePercent() / 100.0))),
                new Task.Way("/compare/cross-checks/" + count.id(), Texts.of("desk.today.view-why"))));
    }

    private void addCodes(List<Task> tasks) {
        long codes = queries.codesOfNothing();
        if (codes > 0) {
            tasks.add(Task.of(
                    Permission.SET_UP,
                    "codes",
                    new Task.Said(
                            Texts.of("desk.today.codes-match-no-source", codes),
                            Texts.of("desk.today.they-were-given-with-outcomes")),
                    new Task.Way("/setup/codes", Texts.of("desk.today.match-codes"))));
        }
    }

    private void addLinks(List<Task> tasks, LocalDate today, Figures figures) {
        for (TodayQueries.Unvisited link : queries.neverVisited(clock.instant().minus(QUIET_AFTER), today)) {
            tasks.add(Task.of(
                    Permission.ISSUE,
                    "link:" + link.id(),
                    new Task.Said(
                            Texts.of("desk.today.never-opened", link.name()),
                            link.placedOn()
                                    .map(day -> Texts.of("desk.today.it-was-placed-on-does", figures.day(day)))
                                    .orElse(Texts.of("desk.today.issued-over-a-week-ago"))),
                    new Task.Way("/links/" + link.id() + "/proof", Texts.of("desk.today.test"))));
        }
    }

    private void addSpend(List<Task> tasks, Period period, Figures figures) {
        spends.missing(period).stream()
                .limit(MOST_SPENDS)
                .forEach(source -> tasks.add(Task.of(
                        Permission.SET_UP,
                        "spend:" + source.source(),
                        new Task.Said(
                                Texts.of("desk.today.spend-missing", source.name()),
                                Texts.of("desk.today.people-came-by-it-in", figures.count(source.people()))),
                        new Task.Way("/spend", Texts.of("desk.today.add-spend")))));
    }

    private void addUnjoined(List<Task> tasks, Business business, LocalDate today) {
        long unjoined = queries.unjoinedSince(today.minusDays(6), business.zone());
        if (unjoined > 0) {
            tasks.add(Task.of(
                    Permission.SEE,
                    "unjoined",
                    new Task.Said(
                            Texts.of("desk.today.outcomes-without-source", unjoined),
                            Texts.of("desk.today.in-the-last-7-days")),
                    new Task.Way("/outcomes?period=7d", Texts.of("desk.today.view-outcomes"))));
        }
    }
}
