package wendo.app.audience.mailings;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.io.Serializable;
import java.time.Clock;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Installation;

/** Mailings go on without anybody waiting, also after a restart: how far each has got stands in the database. */
@Configuration
class MailingJobs {
    private static final String PREPARE = "mailing-prepare";
    private static final Logger LOG = LoggerFactory.getLogger(MailingJobs.class);

    record Job(UUID business, UUID mailing) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    @Bean
    OneTimeTask<Job> mailingPrepareTask(Mailings mailings) {
        return Tasks.oneTime(PREPARE, Job.class)
                .execute((instance, context) -> as(
                        instance.getData().business(),
                        () -> mailings.prepare(instance.getData().mailing())));
    }

    @Bean
    RecurringTask<Void> mailingTask(Mailings mailings, JdbcClient jdbc, Installation installation) {
        return Tasks.recurring("mailing", FixedDelay.of(installation.jobsEvery().multipliedBy(2)))
                .execute((task, context) -> jdbc.sql("select door_mailings()")
                        .query(UUID.class)
                        .list()
                        .forEach(business -> handOn(business, mailings)));
    }

    /** A fault in one mailing must not hold up the others. */
    private static void handOn(UUID business, Mailings mailings) {
        as(
                business,
                () -> mailings.underWay().forEach(mailing -> {
                    try {
                        mailings.handOn(mailing);
                    } catch (RuntimeException e) {
                        LOG.error("Mailing {} of business {} could not go on", mailing, business, e);
                    }
                }));
    }

    private static void as(UUID business, Runnable work) {
        try {
            BusinessScope.as(new BusinessId(business), () -> {
                work.run();
                return business;
            });
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    static void ask(SchedulerClient jobs, UUID mailing, Clock clock) {
        jobs.scheduleIfNotExists(
                new TaskInstance<>(
                        PREPARE,
                        mailing.toString(),
                        new Job(BusinessScope.current().value(), mailing)),
                clock.instant());
    }
}
