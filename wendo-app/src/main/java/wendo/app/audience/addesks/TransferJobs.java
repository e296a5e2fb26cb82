package wendo.app.audience.addesks;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.Serializable;
import java.time.Clock;
import java.time.LocalTime;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Brings lists up to date every night, and when somebody asks. */
@Configuration
class TransferJobs {
    private static final String RUN = "transfer";
    private static final LocalTime NIGHTLY = LocalTime.of(5, 0);
    private static final Logger LOG = LoggerFactory.getLogger(TransferJobs.class);

    record Job(UUID business, UUID transfer) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    @Bean
    OneTimeTask<Job> transferTask(TransferRun run) {
        return Tasks.oneTime(RUN, Job.class).execute((instance, context) -> {
            Job job = instance.getData();
            as(job.business(), () -> run.run(job.transfer()));
        });
    }

    @Bean
    RecurringTask<Void> transferNightlyTask(Businesses businesses, Transfers transfers, TransferRun run) {
        return Tasks.recurring("transfer-nightly", Schedules.daily(NIGHTLY))
                .execute((task, context) ->
                        businesses.all().forEach(business -> night(business.value(), transfers, run)));
    }

    /** A fault in one list must not hold up the others. */
    private static void night(UUID business, Transfers transfers, TransferRun run) {
        as(business, () -> transfers.unfinished().forEach(transfer -> as(business, () -> run.run(transfer))));
    }

    /** A fault in one business must not hold up the others. */
    private static void as(UUID business, Runnable work) {
        try {
            BusinessScope.as(new BusinessId(business), () -> {
                work.run();
                return business;
            });
        } catch (Exception e) {
            LOG.error("The lists of business {} could not be brought up to date", business, e);
        }
    }

    static void ask(SchedulerClient jobs, UUID transfer, Clock clock) {
        jobs.scheduleIfNotExists(
                new TaskInstance<>(
                        RUN,
                        transfer.toString(),
                        new Job(BusinessScope.current().value(), transfer)),
                clock.instant());
    }
}
