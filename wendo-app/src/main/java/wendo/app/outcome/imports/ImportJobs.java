package wendo.app.outcome.imports;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.Serializable;
import java.time.Clock;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;

/** The import that nobody has to wait for. It is one transaction: all rows or none. */
@Configuration
class ImportJobs {
    private static final String NAME = "outcome-import";
    private static final Logger LOG = LoggerFactory.getLogger(ImportJobs.class);

    record Job(UUID business, UUID file) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    @Bean
    OneTimeTask<Job> importTask(ImportWork work, ImportFiles files) {
        return Tasks.oneTime(NAME, Job.class).execute((instance, context) -> run(instance.getData(), work, files));
    }

    private static void run(Job job, ImportWork work, ImportFiles files) {
        try {
            BusinessScope.as(new BusinessId(job.business()), () -> {
                try {
                    work.run(job.file());
                } catch (RuntimeException e) {
                    LOG.error("A file of outcomes could not be imported", e);
                    files.move(
                            job.file(),
                            "importing",
                            "refused",
                            Texts.of("outcome.imports.something-went-wrong-on-our"));
                }
                return job;
            });
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    static void ask(SchedulerClient jobs, UUID file, Clock clock) {
        jobs.scheduleIfNotExists(
                new TaskInstance<>(
                        NAME, file.toString(), new Job(BusinessScope.current().value(), file)),
                clock.instant());
    }
}
