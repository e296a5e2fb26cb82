package wendo.app.issue.alerts;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** Tells people of the visits of links, as often as they asked for, and at most once a minute for each link. */
@Service
public class LinkAlerts {
    private static final Logger LOG = LoggerFactory.getLogger(LinkAlerts.class);
    private static final Duration EVERY = Duration.ofMinutes(1);
    private static final Duration SHOWN = Duration.ofDays(2);

    private static final String VISITS = """
            coalesce((select sum(visits) from visit_sum v where v.link_id = %s and v.kind = 'person'), 0)""";

    private final LinkAlertRepository repository;
    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final Outbox outbox;
    private final String origin;
    private final Clock clock;

    LinkAlerts(
            LinkAlertRepository repository,
            JdbcClient jdbc,
            BusinessScope scope,
            Businesses businesses,
            Outbox outbox,
            Installation installation,
            Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
        this.outbox = outbox;
        this.origin = installation.origin();
        this.clock = clock;
    }

    /** What somebody was told last of a link: so many visits by people since they asked to be told. */
    public record Alert(UUID link, String name, long visits, Instant since, Instant at) {}

    private record Due(
            UUID link, String name, UUID person, String email, Instant since, AlertMode mode, long told, long visits) {}

    @Transactional(readOnly = true)
    public Optional<AlertMode> mode(UUID link, UUID person) {
        return repository.findById(new LinkAlert.Key(link, person)).map(LinkAlert::mode);
    }

    /** Counts from now on; empty ends it. Asked for once more, the count goes on. */
    @Transactional
    void ask(UUID link, UUID person, Optional<AlertMode> mode) {
        LinkAlert.Key key = new LinkAlert.Key(link, person);
        Optional<LinkAlert> known = repository.findById(key);
        if (mode.isEmpty()) {
            known.ifPresent(repository::delete);
        } else if (known.isPresent()) {
            known.get().tellBy(mode.get());
        } else {
            repository.save(new LinkAlert(key, mode.get(), visits(link), clock.instant()));
        }
    }

    private long visits(UUID link) {
        return jdbc.sql("select " + VISITS.formatted("?"))
                .param(link)
                .query(Long.class)
                .single();
    }

    /** What a person was told in the last days, the latest first. */
    @Transactional(readOnly = true)
    public List<Alert> told(UUID person) {
        return jdbc.sql("""
                        select l.id, l.name, a.told_visits, a.since, a.told_at from link_alert a join link l on l.id = a.link_id
                        where a.person_id = ? and a.told_at > ? order by a.told_at desc limit 20
                        """)
                .params(person, Timestamp.from(clock.instant().minus(SHOWN)))
                .query((row, number) -> new Alert(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getLong(3),
                        row.getTimestamp(4).toInstant(),
                        row.getTimestamp(5).toInstant()))
                .list();
    }

    @Bean
    RecurringTask<Void> linkAlertsTask() {
        return Tasks.recurring("link-alerts", FixedDelay.of(EVERY)).execute((task, context) -> tell());
    }

    void tell() {
        for (UUID id : jdbc.sql("select door_link_alerts()").query(UUID.class).list()) {
            try {
                scope.within(new BusinessId(id), this::tellOwn);
            } catch (OptimisticLockingFailureException e) {
                LOG.debug("Another process tells the alerts of business {}", id);
            } catch (RuntimeException e) { // a fault in one business must not hold up another's alerts
                LOG.error("Alerts of business {} could not be told", id, e);
            }
        }
    }

    /** Only those who still work for the business. */
    private int tellOwn() {
        Instant now = clock.instant();
        List<Due> due = jdbc
                .sql("""
                        select a.link_id, l.name, a.person_id, p.email, a.since, a.mode, a.told_visits,
                            %s - a.visits_before as visits
                        from link_alert a join link l on l.id = a.link_id join person p on p.id = a.person_id
                        join membership m on m.person_id = a.person_id
                        where a.told_at is null or a.told_at <= ?
                        """.formatted(VISITS.formatted("a.link_id")))
                .param(Timestamp.from(now.minus(EVERY)))
                .query((row, number) -> new Due(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, UUID.class),
                        row.getString(4),
                        row.getTimestamp(5).toInstant(),
                        AlertMode.find(row.getString(6)).orElseThrow(),
                        row.getLong(7),
                        row.getLong(8)))
                .list()
                .stream()
                .filter(one -> one.mode().isDue(one.told(), one.visits()))
                .toList();
        due.forEach(one -> tell(one, now));
        return due.size();
    }

    private void tell(Due due, Instant now) {
        Optional<LinkAlert> alert =
                repository.findById(new LinkAlert.Key(due.link(), due.person())).filter(one -> one.hasTold(due.told()));
        if (alert.isEmpty()) {
            return; // another process was faster
        }
        alert.get().told(due.visits(), now);
        Business business = businesses.current();
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        String visits = figures.counted(due.visits(), "count.visits");
        outbox.alert(
                due.email(),
                Texts.of("issue.alerts.mail-subject", visits, due.name()),
                "%s%n%n%s/links/%s%n"
                        .formatted(
                                Texts.of("issue.alerts.mail", due.name(), visits, figures.moment(due.since())),
                                origin,
                                due.link()),
                now);
    }
}
