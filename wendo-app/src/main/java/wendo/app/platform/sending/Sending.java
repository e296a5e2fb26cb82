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
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/**
 * Sends what is due. A message is claimed in a transaction of its own before it goes out. If the process dies in
 * between, a text is given to the gateway again, which knows it; an e-mail is left as unsure, for it may have gone out.
 */
@Configuration
class Sending {
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);
    private static final int PORTION = 20;
    /** Then it is another business's turn. */
    private static final int MOST_PORTIONS = 20;

    private static final int MAX_TRIES = 8;

    /** A message claimed longer ago than this was lost with its process. */
    private static final Duration LOST_AFTER = Duration.ofMinutes(5);

    private final OutgoingRepository repository;
    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final Mail mail;
    private final TextGateway gateway;
    private final Clips clips;
    private final Consents consents;
    private final Outbox outbox;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Sending(
            OutgoingRepository repository,
            JdbcClient jdbc,
            BusinessScope scope,
            Businesses businesses,
            Mail mail,
            TextGateway gateway,
            Clips clips,
            Consents consents,
            Outbox outbox,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
        this.mail = mail;
        this.gateway = gateway;
        this.clips = clips;
        this.consents = consents;
        this.outbox = outbox;
        this.events = events;
        this.clock = clock;
    }

    /** @param hasWayOut whether it has to say how to get no more of them */
    private record Claimed(Post post, boolean hasWayOut) {}

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
                for (int portion = 0; portion < MOST_PORTIONS && sendPortion(business, now) == PORTION; portion++) {
                    LOG.debug("More messages of business {} are due", id);
                }
            } catch (RuntimeException e) { // a fault in one business must not hold up another's messages
                LOG.error("Messages of business {} could not be sent", id, e);
            }
        }
    }

    private int sendPortion(BusinessId business, Instant now) {
        List<Claimed> claimed = scope.within(business, () -> claim(now));
        for (Claimed one : claimed) {
            if (!scope.within(business, () -> isWithheld(one.post().id(), business))) {
                Sent sent = send(one);
                scope.within(business, () -> save(one.post().id(), sent));
            }
        }
        return claimed.size();
    }

    private int findLost(Instant now) {
        List<OutgoingMessage> lost = repository.lockLost(now.minus(LOST_AFTER));
        lost.forEach(OutgoingMessage::lose);
        return lost.size();
    }

    private List<Claimed> claim(Instant now) {
        String from = businesses.current().name();
        List<OutgoingMessage> due = repository.lockDue(now, Limit.of(PORTION));
        due.forEach(one -> one.claim(now));
        return due.stream()
                .map(one -> new Claimed(one.post(from, clips), one.hasWayOut()))
                .toList();
    }

    /** Consent is looked up once more right before a message goes out. */
    private boolean isWithheld(UUID id, BusinessId business) {
        OutgoingMessage one = repository.lock(id);
        if (one.mayComeBack() && outbox.isUnreachable(one.recipient())) {
            one.stop(Texts.kept("platform.sending.address-unreachable"));
            return true;
        }
        Optional<ConsentPurpose> missing = one.needs().filter(purpose -> !consents.allows(one.recipient(), purpose));
        missing.filter(purpose -> one.isOnItsWay()).ifPresent(purpose -> {
            String said = Texts.of("platform.sending.no-consent-to-is-on", purpose.inWords());
            one.stop(said);
            one.lead()
                    .ifPresent(lead -> events.publishEvent(
                            new MessageStopped(business, lead, Texts.of("platform.sending.not-sent", said))));
        });
        return missing.isPresent();
    }

    private Sent send(Claimed one) {
        return one.post().road() == MessageType.EMAIL
                ? mail.send(one.post(), one.hasWayOut())
                : gateway.send(one.post());
    }

    /** True if it was still on its way: the gateway's news may have been faster. */
    private boolean save(UUID id, Sent sent) {
        OutgoingMessage one = repository.lock(id);
        if (!one.isOnItsWay()) {
            return false;
        }
        Instant now = clock.instant();
        if (sent instanceof Sent.Taken taken) {
            one.sent(taken.said(), now);
        } else if (sent instanceof Sent.Unsure unsure) {
            one.unsure(unsure.said(), now);
        } else if (sent instanceof Sent.NotYet notYet && one.tries() < MAX_TRIES) {
            one.tryAgain(notYet.said(), now.plus(pause(one.tries())));
        } else {
            one.fail(
                    sent instanceof Sent.Refused refused
                            ? refused.said()
                            : Texts.of("platform.sending.wendo-tried-for-a-day"));
        }
        return true;
    }

    /** 1, 4, 16 and 64 minutes, then every four hours. */
    private static Duration pause(int tries) {
        return Duration.ofMinutes(Math.min(240, 1L << Math.min(2 * (tries - 1), 8)));
    }
}
