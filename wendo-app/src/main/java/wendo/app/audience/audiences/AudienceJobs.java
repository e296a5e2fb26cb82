package wendo.app.audience.audiences;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.LocalTime;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Installation;

/** Keeps people and live audiences up to date: soon after something changes, and each night for what time alone changes. */
@Configuration
class AudienceJobs {
    private static final int PORTION = 20_000;
    private static final LocalTime NIGHTLY = LocalTime.of(4, 10);
    private static final Logger LOG = LoggerFactory.getLogger(AudienceJobs.class);

    private final PeopleIndex people;
    private final Audiences audiences;
    private final Businesses businesses;
    private final JdbcClient jdbc;

    AudienceJobs(PeopleIndex people, Audiences audiences, Businesses businesses, JdbcClient jdbc) {
        this.people = people;
        this.audiences = audiences;
        this.businesses = businesses;
        this.jdbc = jdbc;
    }

    @Bean
    RecurringTask<Void> audiencePeopleTask(Installation installation) {
        return Tasks.recurring(
                        "audience-people",
                        FixedDelay.of(installation.jobsEvery().multipliedBy(5)))
                .execute((task, context) -> jdbc.sql("select door_audience_due()")
                        .query(UUID.class)
                        .list()
                        .forEach(business -> keepUp(new BusinessId(business), false)));
    }

    @Bean
    RecurringTask<Void> audienceNightlyTask() {
        return Tasks.recurring("audience-nightly", Schedules.daily(NIGHTLY))
                .execute((task, context) -> businesses.all().forEach(business -> keepUp(business, true)));
    }

    /** A fault in one business must not hold up the others. */
    void keepUp(BusinessId business, boolean forgotten) {
        try {
            BusinessScope.as(business, () -> {
                if (forgotten) {
                    people.noteForgotten();
                }
                if (people.refreshAll(PORTION) > 0 || forgotten) {
                    audiences.followLive();
                }
                return business;
            });
        } catch (Exception e) {
            LOG.error("The audiences of business {} could not be brought up to date", business.value(), e);
        }
    }
}
