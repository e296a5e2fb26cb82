package wendo.app.money.exchange;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Questions of partners and what the business answers. */
@Service
public class PartnerMessages {
    /** So many of one partner wait for an answer at most. */
    static final int MOST_WAITING = 20;

    private final PartnerMessageRepository repository;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    PartnerMessages(PartnerMessageRepository repository, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.events = events;
        this.clock = clock;
    }

    /** A message, newest first. */
    public record Shown(boolean isFromPartner, String author, String body, Instant at) {}

    @Transactional(readOnly = true)
    public List<Shown> of(UUID partner) {
        return repository.findTop100ByPartnerIdOrderByWrittenAtDescIdAsc(partner).stream()
                .map(one -> new Shown(
                        one.written().isFromPartner(),
                        one.written().author(),
                        one.written().body(),
                        one.at()))
                .toList();
    }

    /** False if too many of this partner wait already. */
    @Transactional
    public boolean ask(UUID partner, String body) {
        if (waiting(partner) >= MOST_WAITING) {
            return false;
        }
        repository.save(new PartnerMessage(partner, new PartnerMessage.Written(true, "", body), clock.instant()));
        return true;
    }

    @Transactional(readOnly = true)
    public long waiting(UUID partner) {
        return repository.countByPartnerIdAndFromPartnerTrueAndReadAtIsNull(partner);
    }

    /** Whoever answers has read what was asked. */
    @Transactional
    void answer(UUID partner, String body, String by) {
        repository.read(partner, clock.instant());
        repository.save(new PartnerMessage(partner, new PartnerMessage.Written(false, by, body), clock.instant()));
        events.publishEvent(new ExchangeNews(partner, ExchangeNews.What.ANSWERED));
    }

    @Transactional
    void markRead(UUID partner) {
        repository.read(partner, clock.instant());
    }
}
