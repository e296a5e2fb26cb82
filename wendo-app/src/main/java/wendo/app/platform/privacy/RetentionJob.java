package wendo.app.platform.privacy;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.LocalTime;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Forgets each night what businesses no longer keep of people. */
@Configuration
class RetentionJob {
    private static final Logger LOG = LoggerFactory.getLogger(RetentionJob.class);
    private static final LocalTime NIGHTLY = LocalTime.of(3, 20);

    private final Retention retention;
    private final Businesses businesses;
    private final BusinessScope scope;

    RetentionJob(Retention retention, Businesses businesses, BusinessScope scope) {
        this.retention = retention;
        this.businesses = businesses;
        this.scope = scope;
    }

    @Bean
    RecurringTask<Void> retentionTask() {
        return Tasks.recurring("retention", Schedules.daily(NIGHTLY)).execute((task, context) -> run());
    }

    void run() {
        for (BusinessId business : businesses.all()) {
            try {
                scope.within(business, retention::forget);
            } catch (RuntimeException e) { // a fault in one business must not hold up the others
                LOG.error("Personal data of business {} could not be forgotten", business.value(), e);
            }
        }
    }
}
