package wendo.app.place.newsletters;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.site.Limits;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.visits.ClickId;

/** Links that subscribe, and who subscribed by them. */
@Service
class OptIns {
    static final int MAX_PROMISE = Limits.PROMISE;

    private final OptInRepository repository;
    private final SubscriberRepository subscribers;
    private final JdbcClient jdbc;
    private final Consents consents;
    private final Outcomes outcomes;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    OptIns(
            OptInRepository repository,
            SubscriberRepository subscribers,
            JdbcClient jdbc,
            Consents consents,
            Outcomes outcomes,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.subscribers = subscribers;
        this.jdbc = jdbc;
        this.consents = consents;
        this.outcomes = outcomes;
        this.events = events;
        this.clock = clock;
    }

    /**
     * How a link subscribes.
     *
     * @param asksFirst true if readers confirm before they are subscribed
     * @param promise what readers are told they subscribe to
     * @param onward where they are led then, with the link's tags; empty text for where the link leads
     * @param unsubstituted the placeholder that arrived last without having been substituted; empty text if none did
     */
    record OptIn(
            boolean isOpen,
            boolean asksFirst,
            String promise,
            String onward,
            String unsubstituted,
            Optional<Instant> unsubstitutedAt) {
        static OptIn none() {
            return new OptIn(false, true, "", "", "", Optional.empty());
        }
    }

    /**
     * Who subscribes by a link.
     *
     * @param proof the test it belongs to
     * @param page where they agreed
     */
    record Subscribing(UUID link, String email, Optional<UUID> click, Optional<UUID> proof, String page) {}

    @Transactional(readOnly = true)
    OptIn of(UUID link) {
        return repository.findById(link).map(StoredOptIn::optIn).orElse(OptIn.none());
    }

    /** 0 until something was said of it. */
    @Transactional(readOnly = true)
    int version(UUID link) {
        return repository.findById(link).map(StoredOptIn::version).orElse(0);
    }

    /** The business whose link this is, if it subscribes; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(UUID link) {
        return jdbc.sql("select door_opt_in(?)")
                .param(link)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    @Transactional
    void save(UUID link, EditedVersion edited, OptIn optIn) {
        StoredOptIn stored = repository.findById(link).orElseGet(() -> new StoredOptIn(link));
        stored.mustStillBe(edited);
        stored.become(optIn);
        repository.save(stored);
    }

    @Transactional
    void noteUnsubstituted(UUID link, String placeholder) {
        repository.findById(link).ifPresent(one -> one.noteUnsubstituted(placeholder, clock.instant()));
    }

    /** Refused by a unique key if the address is subscribed already; then it only agrees once more. */
    @Transactional
    void subscribe(Subscribing one) {
        agree(one);
        Subscriber subscriber = new Subscriber(one.link(), one.email(), one.click(), one.proof(), clock.instant());
        subscribers.saveAndFlush(subscriber); // refused here, before anything else is written
        if (one.proof().isEmpty()) {
            events.publishEvent(new SubscriberJoined(one.email()));
            outcomes.record(outcome(one, subscriber.id()), Reporter.OPT_IN);
        }
    }

    /** A subscription is an outcome of the visit that it came from. */
    private OutcomeReport outcome(Subscribing one, UUID subscriber) {
        return new OutcomeReport(
                OutcomeKind.SUBSCRIPTION,
                subscriber.toString(),
                OptionalLong.empty(),
                one.click().map(ClickId::new),
                Optional.of(Occurrence.at(clock.instant())),
                Optional.empty(),
                OptionalLong.empty(),
                OptionalLong.empty(),
                new ReportedDetails("", one.email(), "", "", "", "", ""));
    }

    /** What they agreed to goes on record, for every time they do. */
    @Transactional
    void agree(Subscribing one) {
        String promise = of(one.link()).promise();
        if (one.proof().isPresent() || promise.isEmpty()) { // a test's consent is nobody's
            return;
        }
        consents.give(new ConsentGiven(
                List.of(one.email()),
                Set.of(ConsentPurpose.EMAIL_NEWS),
                promise,
                ConsentPlace.OPT_IN,
                one.link(),
                Optional.of(one.link()),
                Optional.empty(),
                one.page()));
    }

    @Transactional(readOnly = true)
    long count(UUID link) {
        return jdbc.sql("""
                        select count(*) from subscriber u where link_id = ? and proof_id is null and exists (
                            select from consent_record r
                            where r.contact = u.email and r.purpose = 'email-news' and r.withdrawn_at is null)
                        """).param(link).query(Long.class).single();
    }
}
