package wendo.app.issue.batches;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;

/** Asks for work on a batch; of two requests at once, one succeeds. */
@Service
class BatchOrders {
    private final BatchStore store;
    private final SchedulerClient jobs;

    BatchOrders(BatchStore store, SchedulerClient jobs) {
        this.store = store;
        this.jobs = jobs;
    }

    @Transactional
    void check(UUID batch, Matching matching, String by) {
        if (store.move(batch, Batch.OPEN, Batch.State.CHECKING, "")) {
            store.match(batch, matching);
            order(BatchJobs.CHECK, batch, by);
        }
    }

    @Transactional
    void issue(UUID batch, String by) {
        if (store.move(batch, List.of(Batch.State.CHECKED), Batch.State.ISSUING, "")) {
            order(BatchJobs.ISSUE, batch, by);
        }
    }

    private void order(String task, UUID batch, String by) {
        jobs.scheduleIfNotExists(
                new TaskInstance<>(
                        task,
                        UUID.randomUUID().toString(),
                        new BatchJobs.Job(BusinessScope.current().value(), batch, by)),
                Instant.now());
    }
}
