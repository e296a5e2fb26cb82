package wendo.app.credit;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.Serializable;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;

/**
 * Recalculates all credit of a business: after a rule was changed, and each night, because the data-driven models learn
 * from each day. The edition before is shown until the new one is complete.
 */
@Configuration
class CreditRecalculation {
    private static final String NAME = "credit-anew";
    private static final int PORTION = 2000;
    private static final UUID FIRST = new UUID(0, 0);
    private static final Logger LOG = LoggerFactory.getLogger(CreditRecalculation.class);

    private final CreditEditions editions;
    private final CreditWork work;
    private final DueOutcomes dueOutcomes;
    private final JourneyStore journeys;
    private final BusinessScope scope;

    CreditRecalculation(
            CreditEditions editions,
            CreditWork work,
            DueOutcomes dueOutcomes,
            JourneyStore journeys,
            BusinessScope scope) {
        this.editions = editions;
        this.work = work;
        this.dueOutcomes = dueOutcomes;
        this.journeys = journeys;
        this.scope = scope;
    }

    record Job(UUID business, long edition) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    /** Asked for in the transaction that changes a rule. */
    static void ask(SchedulerClient jobs, CreditEditions editions, String why, Clock clock) {
        UUID business = BusinessScope.current().value();
        long edition = editions.ask(why);
        jobs.scheduleIfNotExists(
                new TaskInstance<>(NAME, business + " " + edition, new Job(business, edition)), clock.instant());
    }

    @Bean
    OneTimeTask<Job> creditAnewTask() {
        return Tasks.oneTime(NAME, Job.class)
                .execute((instance, context) -> run(
                        new BusinessId(instance.getData().business()),
                        instance.getData().edition()));
    }

    @Bean
    RecurringTask<Void> creditNightlyTask(Businesses businesses, JdbcClient jdbc, SchedulerClient jobs, Clock clock) {
        return Tasks.recurring("credit-nightly", Schedules.daily(LocalTime.of(4, 0)))
                .execute((task, context) -> {
                    jdbc.sql("select analyze_credit_tables()").query(row -> {});
                    for (BusinessId business : businesses.all()) {
                        scope.within(business, () -> {
                            ask(jobs, editions, Texts.kept("credit.daily-update-of-the-learned"), clock);
                            return business;
                        });
                    }
                });
    }

    /** In portions, so that new outcomes do not wait; given up if a newer recalculation was asked for. */
    void run(BusinessId business, long edition) {
        scope.within(business, () -> {
            journeys.make();
            return edition;
        });
        creditAll(business, edition);
        scope.within(business, () -> {
            editions.look();
            return edition;
        });
    }

    /** By what was learned before. */
    void creditAll(BusinessId business, long edition) {
        int total = scope.within(business, dueOutcomes::count);
        int done = 0;
        for (boolean areLeads : new boolean[] {true, false}) {
            Round round = new Round(edition, areLeads, total);
            Portion portion = new Portion(List.of(), Instant.EPOCH, FIRST);
            do {
                Portion before = portion;
                int doneBefore = done;
                portion = scope.within(business, () -> next(round, before, doneBefore));
                done += portion.outcomes().size();
            } while (!portion.outcomes().isEmpty());
        }
        scope.within(business, () -> {
            editions.lock();
            if (isStillWanted(edition)) {
                editions.stand(edition);
            }
            return edition;
        });
        LOG.info("The credit of {} outcomes was made anew", done);
    }

    private record Portion(List<UUID> outcomes, Instant at, UUID last) {}

    private record Round(long edition, boolean areLeads, int total) {}

    private Portion next(Round round, Portion before, int done) {
        editions.lock();
        List<UUID> outcomes = isStillWanted(round.edition())
                ? dueOutcomes.after(round.areLeads(), before.at(), before.last(), PORTION)
                : List.of();
        if (outcomes.isEmpty()) {
            return new Portion(outcomes, before.at(), before.last());
        }
        work.credit(outcomes, round.edition(), editions.current());
        editions.progress(done + outcomes.size(), round.total());
        UUID last = outcomes.get(outcomes.size() - 1);
        return new Portion(outcomes, dueOutcomes.occurredAt(last), last);
    }

    private boolean isStillWanted(long edition) {
        return editions.find()
                .flatMap(CreditEditions.Progress::building)
                .filter(building -> building == edition)
                .isPresent();
    }
}
