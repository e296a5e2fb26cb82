package wendo.app.audience.mailings;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.audience.audiences.AudiencePeople;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.place.messages.PersonalLinks;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.sending.Letter;
import wendo.app.platform.sending.Outbox;
import wendo.core.handover.SendingHours;

/** Mailings: drafted, started, handed to the outbox in portions, paused, resumed and stopped. */
@Service
class Mailings {
    /** One message a person in this time, unless somebody says otherwise. Ours. */
    private static final Duration SPARED_FOR = Duration.ofDays(7);

    /** What was not handed on while nothing ran is not made up for in a burst. Ours. */
    private static final Duration MOST_MADE_UP = Duration.ofSeconds(20);

    private final MailingRepository repository;
    private final MailingMessages messages;
    private final AudiencePeople audiences;
    private final PersonalLinks personal;
    private final LinkSaving links;
    private final Outbox outbox;
    private final Businesses businesses;
    private final SchedulerClient jobs;
    private final Clock clock;

    Mailings(
            MailingRepository repository,
            MailingMessages messages,
            AudiencePeople audiences,
            PersonalLinks personal,
            LinkSaving links,
            Outbox outbox,
            Businesses businesses,
            SchedulerClient jobs,
            Clock clock) {
        this.repository = repository;
        this.messages = messages;
        this.audiences = audiences;
        this.personal = personal;
        this.links = links;
        this.outbox = outbox;
        this.businesses = businesses;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** @param quietUntil when it goes on, while it waits for the end of quiet hours */
    record Listed(
            UUID id,
            int version,
            UUID audience,
            MailingForm form,
            MailingState state,
            Optional<UUID> list,
            Optional<Instant> startedAt,
            Optional<Instant> endedAt,
            Optional<Instant> quietUntil,
            long spared,
            boolean isCostEntered,
            Instant madeAt,
            String madeBy) {}

    @Transactional
    UUID add(UUID audience, MailingForm form, String by) {
        return repository.save(new Mailing(audience, form, by, clock.instant())).id();
    }

    /** Answers false if it is no draft any more. */
    @Transactional
    boolean change(UUID id, EditedVersion edited, MailingForm form) {
        Mailing mailing = repository.lock(id).orElseThrow();
        if (!mailing.state().isDraft()) {
            return false;
        }
        mailing.mustStillBe(edited);
        mailing.become(form);
        return true;
    }

    @Transactional(readOnly = true)
    Optional<Listed> find(UUID id) {
        return repository.findById(id).map(this::listed);
    }

    @Transactional(readOnly = true)
    List<Listed> newest() {
        return repository.newest().stream().map(this::listed).toList();
    }

    @Transactional(readOnly = true)
    MailingMessages.Progress progress(UUID id) {
        return messages.progress(id);
    }

    /** Pressed twice it starts once. */
    @Transactional
    void start(UUID id) {
        repository.lock(id).filter(one -> one.state().isDraft()).ifPresent(one -> {
            one.prepare();
            MailingJobs.ask(jobs, id, clock);
        });
    }

    @Transactional
    void pause(UUID id) {
        repository.lock(id).filter(one -> one.state() == MailingState.SENDING).ifPresent(Mailing::pause);
    }

    @Transactional
    void resume(UUID id) {
        repository.lock(id).filter(one -> one.state() == MailingState.PAUSED).ifPresent(Mailing::resume);
    }

    /** Whoever was not written to yet is not written to. */
    @Transactional
    void stop(UUID id) {
        repository
                .lock(id)
                .filter(one -> one.state() == MailingState.SENDING || one.state() == MailingState.PAUSED)
                .ifPresent(one -> {
                    messages.stopWaiting(id);
                    one.end(MailingState.STOPPED, clock.instant());
                });
    }

    /** Decides whom it goes to: whoever of the audience agreed, less those spared, less those held out by lot. */
    @Transactional
    void prepare(UUID id) {
        Mailing mailing = repository.lock(id).orElseThrow();
        if (mailing.state() != MailingState.PREPARING) {
            return;
        }
        MailingForm form = mailing.form();
        Instant now = clock.instant();
        Set<Long> spared = form.sparesWeekly() ? new HashSet<>(messages.inAnother(now.minus(SPARED_FOR))) : Set.of();
        List<AudiencePeople.Reachable> all = audiences.reachable(mailing.audience(), form.needs());
        List<AudiencePeople.Reachable> chosen =
                all.stream().filter(one -> !spared.contains(one.person())).toList();
        PersonalLinks.Listed listed = personal.give(
                form.link(),
                form.name(),
                chosen.stream()
                        .map(one -> new PersonalLinks.Addressee(one.name(), one.contact()))
                        .toList(),
                form.heldOutPercent(),
                mailing.madeBy());
        messages.add(
                id,
                listed.given().stream().map(PersonalLinks.Given::recipient).toList(),
                chosen.stream().map(AudiencePeople.Reachable::person).toList(),
                listed.given().stream()
                        .map(one -> one.isHeldOut() ? "held-out" : "waiting")
                        .toList());
        mailing.spare(all.size() - chosen.size());
        mailing.start(listed.list(), now);
    }

    @Transactional(readOnly = true)
    List<UUID> underWay() {
        return repository.findByState(MailingState.SENDING.key()).stream()
                .map(Mailing::id)
                .toList();
    }

    /** Hands on as many as its pace allows since the last time, outside of quiet hours. */
    @Transactional
    void handOn(UUID id) {
        Instant now = clock.instant();
        Mailing mailing = repository.lock(id).orElseThrow();
        if (mailing.state() != MailingState.SENDING || quietUntil(now).isPresent()) {
            return;
        }
        MailingForm form = mailing.form();
        long millis = mailing.handedAt()
                .map(last -> Math.min(Duration.between(last, now).toMillis(), MOST_MADE_UP.toMillis()))
                .orElse(1000L);
        int allowed = (int) (form.perMinute() * millis / 60_000);
        if (allowed > 0 || mailing.handedAt().isEmpty()) {
            hand(mailing, Math.max(1, allowed), now);
        }
        if (messages.isOver(id)) {
            mailing.end(MailingState.SENT, now);
        }
    }

    private void hand(Mailing mailing, int most, Instant now) {
        MailingForm form = mailing.form();
        LinkListed link = links.find(form.link()).orElseThrow();
        MailingText text = new MailingText(form, link.url());
        List<UUID> recipients = new ArrayList<>();
        List<UUID> outgoing = new ArrayList<>();
        for (MailingMessages.Next next : messages.take(mailing.id(), most, now)) {
            if (!next.contact().isEmpty()) { // erased since it was prepared
                MailingText.Finished finished = text.of(next.name(), next.code());
                recipients.add(next.recipient());
                outgoing.add(outbox.write(
                        new Letter(form.road(), next.contact(), finished.subject(), finished.body(), form.needs())));
            }
        }
        messages.handed(recipients, outgoing);
        mailing.hand(now);
    }

    private Optional<Instant> quietUntil(Instant now) {
        SendingHours hours = businesses.sendingHours();
        Instant next = hours.outsideQuiet(now.atZone(hours.zone())).toInstant();
        return next.equals(now) ? Optional.empty() : Optional.of(next);
    }

    private Listed listed(Mailing one) {
        return new Listed(
                one.id(),
                one.version(),
                one.audience(),
                one.form(),
                one.state(),
                one.list(),
                one.startedAt(),
                one.endedAt(),
                one.state() == MailingState.SENDING ? quietUntil(clock.instant()) : Optional.empty(),
                one.spared(),
                one.spend().isPresent(),
                one.madeAt(),
                one.madeBy());
    }
}
