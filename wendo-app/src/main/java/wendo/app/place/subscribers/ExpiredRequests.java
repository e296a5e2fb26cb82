package wendo.app.place.subscribers;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.Clock;
import java.time.LocalTime;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Forgets each night who never confirmed that they had subscribed. */
@Configuration
class ExpiredRequests {
    private static final Logger LOG = LoggerFactory.getLogger(ExpiredRequests.class);
    private static final LocalTime NIGHTLY = LocalTime.of(3, 10);

    private final JoinRequestRepository requests;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Clock clock;

    ExpiredRequests(JoinRequestRepository requests, Businesses businesses, BusinessScope scope, Clock clock) {
        this.requests = requests;
        this.businesses = businesses;
        this.scope = scope;
        this.clock = clock;
    }

    @Bean
    RecurringTask<Void> joinRequestsForgettingTask() {
        return Tasks.recurring("join-requests-forgetting", Schedules.daily(NIGHTLY))
                .execute((task, context) -> run());
    }

    void run() {
        for (BusinessId business : businesses.all()) {
            try {
                scope.within(business, () -> requests.deleteExpired(clock.instant()));
            } catch (RuntimeException e) { // a fault in one business must not hold up the others
                LOG.error("Requests to join lists of business {} could not be forgotten", business.value(), e);
            }
        }
    }
}
