package wendo.app.prepare.destinations;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.core.links.WebAddress;

/** Looks at every destination once a day, and at one that fails once an hour, at first every minute. */
@Configuration
class DestinationChecks {
    /** A page that a link was just issued to is looked at within moments. */
    private static final Duration EVERY = Duration.ofSeconds(15);

    private static final int MOST = 200;

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final Destinations destinations;
    private final DestinationLook looking;
    private final Clock clock;

    private record Due(BusinessId business, UUID destination) {}

    private record Page(WebAddress address, Business business) {}

    DestinationChecks(
            JdbcClient jdbc,
            BusinessScope scope,
            Businesses businesses,
            Destinations destinations,
            DestinationLook looking,
            Clock clock) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
        this.destinations = destinations;
        this.looking = looking;
        this.clock = clock;
    }

    @Bean
    RecurringTask<Void> destinationChecksTask() {
        return Tasks.recurring("destination-checks", FixedDelay.of(EVERY)).execute((task, context) -> checkDue());
    }

    void checkDue() {
        List<Due> due = jdbc.sql("select business_id, destination_id from door_destinations_due(?, ?)")
                .params(Timestamp.from(clock.instant()), MOST)
                .query((row, number) ->
                        new Due(new BusinessId(row.getObject(1, UUID.class)), row.getObject(2, UUID.class)))
                .list();
        due.forEach(this::check);
    }

    /** Without a transaction while the page takes its time. */
    private void check(Due due) {
        Page page = scope.within(
                due.business(),
                () -> new Page(
                        WebAddress.of(destinations
                                .find(due.destination())
                                .orElseThrow()
                                .address()),
                        businesses.current()));
        Look look = looking.look(page.address(), page.business().allowsLocalDestinations());
        scope.within(due.business(), () -> {
            destinations.keep(page.address(), look);
            return look;
        });
    }
}
