package wendo.app.platform.jobs;

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
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.site.Installation;

/** Wires db-scheduler to the tasks that features declare as beans. A job asked for in a transaction is part of it. */
@Configuration
class JobsConfiguration {
    private static final int THREADS = 4;

    /** Whatever process runs a job says so this often. */
    private static final Duration SIGN_OF_LIFE = Duration.ofSeconds(5);

    /** After so many without a sign another process takes the job up: what is killed is gone on with within half a minute. */
    private static final int SIGNS_MISSED = 4;

    /** What features ask for jobs with. */
    @Bean
    SchedulerClient schedulerClient(DataSource dataSource, JsonMapper json) {
        return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource))
                .serializer(new JobData(json))
                .build();
    }

    @Bean
    JobsRunning jobsRunning(
            DataSource dataSource,
            JsonMapper json,
            Installation installation,
            List<OneTimeTask<?>> once,
            List<RecurringTask<?>> again) {
        return new JobsRunning(Scheduler.create(dataSource, List.copyOf(once))
                .startTasks(again)
                .serializer(new JobData(json))
                .threads(THREADS)
                .pollingInterval(installation.jobsEvery())
                .heartbeatInterval(SIGN_OF_LIFE)
                .missedHeartbeatsLimit(SIGNS_MISSED)
                .build());
    }
}
