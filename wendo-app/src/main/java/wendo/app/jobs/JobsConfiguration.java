package wendo.app.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/** Wires db-scheduler to the tasks that features declare as beans. A job asked for in a transaction is part of it. */
@Configuration
class JobsConfiguration {
    private static final int THREADS = 4;
    private static final Duration POLLING = Duration.ofSeconds(1);

    /** What features ask for jobs with. */
    @Bean
    SchedulerClient schedulerClient(DataSource dataSource) {
        return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource))
                .build();
    }

    @Bean
    JobsRunning jobsRunning(DataSource dataSource, List<OneTimeTask<?>> once, List<RecurringTask<?>> again) {
        return new JobsRunning(Scheduler.create(dataSource, List.copyOf(once))
                .startTasks(again)
                .threads(THREADS)
                .pollingInterval(POLLING)
                .build());
    }
}
