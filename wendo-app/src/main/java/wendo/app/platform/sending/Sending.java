package wendo.app.platform.sending;

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
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.site.Installation;

/**
 * Sends what is due. A message is claimed in a transaction of its own before it goes out. If the process dies in
 * between, a text is given to the gateway again, which knows it; an e-mail is left as unsure, for it may have gone out.
 */
@Configuration
class Sending {
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);
    private static final int PORTION = 20;
    private static final int MAX_TRIES = 8;

    /** A message claimed longer ago than this was lost with its process. */
    private static final Duration LOST_AFTER = Duration.ofMinutes(5);

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final Mail mail;
    private final TextGateway gateway;
    private final Clips clips;
    private final Consents consents;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Sending(
            JdbcClient jdbc,
            BusinessScope scope,
            Businesses businesses,
            Mail mail,
            TextGateway gateway,
            Clips clips,
            Consents consents,
            ApplicationEventPublisher events,
            Clock clock) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
        this.mail = mail;
        this.gateway = gateway;
        this.clips = clips;
        this.consents = consents;
        this.events = events;
        this.clock = clock;
    }

    private record Claimed(Post post, String purpose, int tries, Optional<UUID> lead, String needs) {}

    @Bean
    RecurringTask<Void> sendingTask(Installation installation) {
        return Tasks.recurring("sending", FixedDelay.of(installation.jobsEvery().multipliedBy(2)))
                .execute((task, context) -> sendDue());
    }

    void sendDue() {
        Instant now = clock.instant();
        for (UUID id : jdbc.sql("select door_messages_due(?, ?)")
                .params(Timestamp.from(now), Timestamp.from(now.minus(LOST_AFTER)))
                .query(UUID.class)
                .list()) {
            BusinessId business = new BusinessId(id);
            try {
                scope.within(business, () -> findLost(now));
                for (Claimed one : scope.within(business, () -> claim(now))) {
                    if (scope.within(business, () -> isWithheld(one, business))) {
                        continue;
                    }
                    Sent sent = send(one);
                    scope.within(business, () -> keep(one, sent));
                }
            } catch (RuntimeException e) { // what is wrong with one business keeps no other's messages back
                LOG.error("Messages of business {} could not be sent", id, e);
            }
        }
    }

    private int findLost(Instant now) {
        return jdbc.sql("""
                        update outgoing set
                            state = case when road = 'email' then 'unsure' else 'waiting' end,
                            said = case when road = 'email'
                                then 'Wendo stopped while it was sent; it may have arrived, and is not sent again.' else said end
                        where state = 'sending' and claimed_at < ?
                        """).param(Timestamp.from(now.minus(LOST_AFTER))).update();
    }

    private List<Claimed> claim(Instant now) {
        String from = businesses.current().name();
        return jdbc.sql("""
                        update outgoing set state = 'sending', claimed_at = :now, tries = tries + 1
                        where id in (
                            select id from outgoing where state = 'waiting' and due_at <= :now
                            order by due_at limit :portion for update skip locked)
                        returning id, road, recipient, subject, body, clip_id, purpose, tries, lead_id, needs
                        """)
                .param("now", Timestamp.from(now))
                .param("portion", PORTION)
                .query((row, number) -> new Claimed(
                        new Post(
                                row.getObject(1, UUID.class),
                                MessageType.of(row.getString(2)),
                                from,
                                row.getString(3),
                                row.getString(4),
                                row.getString(5),
                                Optional.ofNullable(row.getObject(6, UUID.class))
                                        .flatMap(clips::find)),
                        row.getString(7),
                        row.getInt(8),
                        Optional.ofNullable(row.getObject(9, UUID.class)),
                        row.getString(10)))
                .list();
    }

    /** Consent is looked up once more right before a message goes out. */
    private boolean isWithheld(Claimed one, BusinessId business) {
        Optional<ConsentPurpose> missing = ConsentPurpose.find(one.needs())
                .filter(purpose -> !consents.allows(one.post().recipient(), purpose));
        missing.ifPresent(purpose -> {
            String said = "No consent to %s is on record.".formatted(purpose.inWords());
            jdbc.sql("update outgoing set state = 'stopped', said = ? where id = ? and state = 'sending'")
                    .params(said, one.post().id())
                    .update();
            one.lead()
                    .ifPresent(lead ->
                            events.publishEvent(new MessageStopped(business, lead, "A message was not sent. " + said)));
        });
        return missing.isPresent();
    }

    private Sent send(Claimed one) {
        return one.post().road() == MessageType.EMAIL
                ? mail.send(one.post(), one.purpose().equals("plan"))
                : gateway.send(one.post());
    }

    private int keep(Claimed one, Sent sent) {
        Instant now = clock.instant();
        if (sent instanceof Sent.Taken taken) {
            return set(one, "sent", taken.said(), now);
        }
        if (sent instanceof Sent.Unsure unsure) {
            return set(one, "unsure", unsure.said(), now);
        }
        if (sent instanceof Sent.NotYet notYet && one.tries() < MAX_TRIES) {
            return jdbc.sql(
                            "update outgoing set state = 'waiting', said = ?, due_at = ? where id = ? and state = 'sending'")
                    .params(
                            notYet.said(),
                            Timestamp.from(now.plus(pause(one.tries()))),
                            one.post().id())
                    .update();
        }
        String said = sent instanceof Sent.Refused refused ? refused.said() : "It was tried for a day, in vain.";
        return set(one, "failed", said, now);
    }

    /** 1, 4, 16 and 64 minutes, then every four hours. */
    private static Duration pause(int tries) {
        return Duration.ofMinutes(Math.min(240, 1L << Math.min(2 * (tries - 1), 8)));
    }

    private int set(Claimed one, String state, String said, Instant now) {
        return jdbc.sql("update outgoing set state = ?, said = ?, sent_at = ? where id = ? and state = 'sending'")
                .params(state, said)
                .param(state.equals("failed") ? null : Timestamp.from(now))
                .param(one.post().id())
                .update();
    }
}
