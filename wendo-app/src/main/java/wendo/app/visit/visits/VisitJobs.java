package wendo.app.visit.visits;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.Serializable;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Work on visits that nobody waits for: sums made anew, and forgetting what a business no longer keeps. */
@Configuration
class VisitJobs {
    static final String SUMS = "visit-sums";

    private static final Logger LOG = LoggerFactory.getLogger(VisitJobs.class);

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final VisitSums sums;
    private final VisitSettings settings;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    VisitJobs(
            JdbcClient jdbc,
            BusinessScope scope,
            Businesses businesses,
            VisitSums sums,
            VisitSettings settings,
            ApplicationEventPublisher events,
            Clock clock) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
        this.sums = sums;
        this.settings = settings;
        this.events = events;
        this.clock = clock;
    }

    /** Whose sums. */
    record Job(UUID business) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    private record Keeping(BusinessId business, int months) {}

    @Bean
    OneTimeTask<Job> visitSumsTask() {
        return Tasks.oneTime(SUMS, Job.class)
                .execute((instance, context) ->
                        rebuild(new BusinessId(instance.getData().business())));
    }

    void rebuild(BusinessId business) {
        boolean wasRight = scope.within(business, () -> {
            sums.lock();
            Optional<ZoneId> countedIn = settings.countedIn();
            ZoneId before = countedIn.orElseGet(() -> businesses.current().zone());
            boolean isAsExpected = sums.rebuild(before) || countedIn.isPresent();
            settings.sumsMade(isAsExpected);
            events.publishEvent(new VisitSumsMade(business, before));
            return isAsExpected;
        });
        if (!wasRight) {
            LOG.warn("Sums of visits were made anew and differ from those before");
        }
    }

    @Bean
    RecurringTask<Void> visitsForgettingTask() {
        return Tasks.recurring("visits-forgetting", Schedules.daily(LocalTime.of(3, 0)))
                .execute((task, context) -> forget());
    }

    /** Deletes visits, and what the site tag told, of whole months that are not kept any more; daily sums stay. */
    void forget() {
        List<Keeping> all = jdbc.sql("select business_id, months from door_businesses_keeping()")
                .query((row, number) -> new Keeping(new BusinessId(row.getObject(1, UUID.class)), row.getInt(2)))
                .list();
        int most = all.stream().mapToInt(Keeping::months).max().orElse(0);
        for (Keeping one : all) {
            try {
                scope.within(one.business(), () -> forget(one.months()));
            } catch (RuntimeException e) { // a fault in one business must not hold up deleting in another
                LOG.error(
                        "Old visits of business {} could not be deleted",
                        one.business().value(),
                        e);
            }
        }
        LocalDate before = LocalDate.now(clock).minusMonths(most).withDayOfMonth(1);
        jdbc.sql("select drop_empty_visit_months(?)").param(before).query(row -> {});
    }

    private int forget(int months) {
        LocalDate first = businesses.current().today(clock).minusMonths(months).withDayOfMonth(1);
        Timestamp before =
                Timestamp.from(first.atStartOfDay(businesses.current().zone()).toInstant());
        int deleted = 0;
        for (String older : List.of(
                "visit where arrived_at",
                "visit_alias where click_time(click_id)",
                "landing where landed_at",
                "site_arrival where arrived_at",
                "outbound_click where clicked_at")) {
            deleted += jdbc.sql("delete from " + older + " < ?").param(before).update();
        }
        return deleted;
    }
}
