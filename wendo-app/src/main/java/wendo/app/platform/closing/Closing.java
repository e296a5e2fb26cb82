package wendo.app.platform.closing;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;

/** Deleting a business: asked for, thought over, done. */
@Configuration
class Closing {
    static final int DAYS = 30;

    private static final Logger LOG = LoggerFactory.getLogger(Closing.class);
    private static final LocalTime NIGHTLY = LocalTime.of(3, 40);

    private final Businesses businesses;
    private final Accounts accounts;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Closing(Businesses businesses, Accounts accounts, JdbcClient jdbc, ApplicationEventPublisher events, Clock clock) {
        this.businesses = businesses;
        this.accounts = accounts;
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    /** Everything was taken along since this long ago, so the business may be deleted. */
    boolean isExported() {
        return businesses
                .exportedAt()
                .filter(at -> at.isAfter(clock.instant().minus(Duration.ofDays(1))))
                .isPresent();
    }

    @Transactional
    public void ask(String by) {
        Instant at = clock.instant().plus(Duration.ofDays(DAYS));
        businesses.delete(Optional.of(at));
        Business business = businesses.current();
        String day = new Figures(business.currency(), business.zone(), business.locale()).dayOf(at);
        tell(
                business,
                Texts.kept("platform.closing.mail-subject", business.name(), day),
                Texts.kept("platform.closing.mail-body", business.name(), day, by));
    }

    @Transactional
    public void keep(String by) {
        businesses.delete(Optional.empty());
        Business business = businesses.current();
        tell(
                business,
                Texts.kept("platform.closing.kept-subject", business.name()),
                Texts.kept("platform.closing.kept-body", business.name(), by));
    }

    private void tell(Business business, String subject, String body) {
        accounts.colleagues().stream()
                .filter(one -> one.role() == Role.OWNER)
                .forEach(owner -> events.publishEvent(new AccountMail(business.id(), owner.email(), subject, body)));
    }

    @Bean
    RecurringTask<Void> closingTask() {
        return Tasks.recurring("closing", Schedules.daily(NIGHTLY)).execute((task, context) -> run());
    }

    /** Deletes those whose days are over. */
    void run() {
        Timestamp now = Timestamp.from(clock.instant());
        List<UUID> due = jdbc.sql("select door_businesses_to_delete(?)")
                .param(now)
                .query(UUID.class)
                .list();
        for (UUID business : due) {
            try {
                long rows = jdbc.sql("select delete_business(?, ?)")
                        .params(business, now)
                        .query(Long.class)
                        .single();
                LOG.info("Business {} was deleted with {} rows, as its owners wanted", business, rows);
            } catch (RuntimeException e) { // a fault in one must not hold up the others
                LOG.error("Business {} could not be deleted", business, e);
            }
        }
    }
}
