package wendo.app.issue.batches;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.Serializable;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;

/** The work on a batch that nobody has to wait for. */
@Configuration
class BatchJobs {
    static final String CHECK = "batch-check";
    static final String ISSUE = "batch-issue";

    private static final Logger LOG = LoggerFactory.getLogger(BatchJobs.class);

    /** Which batch, and on whose behalf. */
    record Job(UUID business, UUID batch, String by) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    private interface Part {
        void run(UUID batch, String by);
    }

    @Bean
    OneTimeTask<Job> batchCheckTask(BatchWork work, BatchStore store) {
        return Tasks.oneTime(CHECK, Job.class)
                .execute((instance, context) -> run(instance.getData(), work::check, store));
    }

    @Bean
    OneTimeTask<Job> batchIssueTask(BatchWork work, BatchStore store) {
        return Tasks.oneTime(ISSUE, Job.class)
                .execute((instance, context) -> run(instance.getData(), work::issue, store));
    }

    /** What fails is told on the batch's page; nothing is issued by then, for its transaction is undone. */
    private static void run(Job job, Part part, BatchStore store) {
        try {
            BusinessScope.as(new BusinessId(job.business()), () -> {
                try {
                    part.run(job.batch(), job.by());
                } catch (RuntimeException e) {
                    LOG.error("A batch could not be worked on", e);
                    store.move(
                            job.batch(),
                            List.of(Batch.State.CHECKING, Batch.State.ISSUING),
                            Batch.State.REFUSED,
                            Texts.of("issue.batches.something-went-wrong-on-our"));
                }
                return job;
            });
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }
}
