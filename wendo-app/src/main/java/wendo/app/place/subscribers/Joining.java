package wendo.app.place.subscribers;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.ConsentWithdrawn;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.sending.Letter;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.sending.Outbox;
import wendo.core.media.MergeText;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.visits.ClickId;

/** People come onto lists: at once, or when they have confirmed it by mail. */
@Service
class Joining {
    private final NewsletterListRepository lists;
    private final SubscriberRepository subscribers;
    private final ListMemberRepository members;
    private final JoinRequestRepository requests;
    private final ConfirmationMail confirmation;
    private final Consents consents;
    private final Outcomes outcomes;
    private final Outbox outbox;
    private final Businesses businesses;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Joining(
            NewsletterListRepository lists,
            SubscriberRepository subscribers,
            ListMemberRepository members,
            JoinRequestRepository requests,
            ConfirmationMail confirmation,
            Consents consents,
            Outcomes outcomes,
            Outbox outbox,
            Businesses businesses,
            ApplicationEventPublisher events,
            Clock clock) {
        this.lists = lists;
        this.subscribers = subscribers;
        this.members = members;
        this.requests = requests;
        this.confirmation = confirmation;
        this.consents = consents;
        this.outcomes = outcomes;
        this.outbox = outbox;
        this.businesses = businesses;
        this.events = events;
        this.clock = clock;
    }

    /** Refused by a unique key if the same address joins at the same moment. */
    @Transactional
    JoinAnswer join(Joiner joiner) {
        NewsletterList list = lists.findById(joiner.list()).orElseThrow();
        if (list.listed().confirms()) {
            ask(list, joiner);
            return JoinAnswer.ASKED;
        }
        Instant now = clock.instant();
        welcome(list, joiner, take(list, joiner, now, now));
        return JoinAnswer.JOINED;
    }

    /** A test's subscriber is nobody's: no consent, no mail, no outcome. */
    @Transactional
    Subscriber test(Joiner joiner, UUID proof) {
        return subscribers.saveAndFlush(Subscriber.ofTest(joiner, proof, clock.instant()));
    }

    /** Answers nothing of who is known: whoever is on the list already is asked too. */
    private void ask(NewsletterList list, Joiner joiner) {
        Instant now = clock.instant();
        JoinRequest request = requests.lock(joiner.list(), joiner.email()).orElseGet(() -> new JoinRequest(joiner));
        request.ask(joiner, now, now.plus(list.listed().confirmWithin()));
        if (request.mail(now)) {
            confirmation.send(list.listed(), joiner, request.id());
        }
        requests.saveAndFlush(request);
    }

    /** Answers the list; empty if nobody waits to be confirmed by this. Pressed twice it joins once. */
    @Transactional
    Optional<NewsletterLists.Listed> confirm(UUID id) {
        Instant now = clock.instant();
        Optional<JoinRequest> found = requests.lock(id).filter(one -> !one.isOver(now));
        Optional<NewsletterList> list =
                found.flatMap(one -> lists.findById(one.joiner().list()));
        if (list.isPresent() && !found.get().isConfirmed()) {
            JoinRequest request = found.get();
            request.confirm(now);
            welcome(list.get(), request.joiner(), take(list.get(), request.joiner(), request.askedAt(), now));
        }
        return list.map(NewsletterList::listed);
    }

    /** Whoever joins is known to be who they say they are. */
    @Transactional
    void take(Joiner joiner) {
        Instant now = clock.instant();
        NewsletterList list = lists.findById(joiner.list()).orElseThrow();
        welcome(list, joiner, take(list, joiner, now, now));
    }

    /** Somebody who joined before, of which nothing is said to them. */
    @Transactional
    void takeFormer(Joiner joiner, Instant at) {
        take(lists.findById(joiner.list()).orElseThrow(), joiner, at, at);
    }

    /** What somebody is asked whether they want it; empty if nobody waits to be confirmed by this. */
    @Transactional(readOnly = true)
    Optional<String> wordsOf(UUID request) {
        Instant now = clock.instant();
        return requests.findById(request)
                .filter(one -> !one.isOver(now))
                .map(one -> one.joiner().words());
    }

    /** Answers whether they were not on the list before. */
    private boolean take(NewsletterList list, Joiner joiner, Instant asked, Instant now) {
        agree(joiner);
        Optional<Subscriber> known = subscribers.findReal(joiner.email());
        Subscriber subscriber = known.orElseGet(() -> subscribers.saveAndFlush(Subscriber.by(joiner, now)));
        subscriber.label(list.listed().labels());
        subscriber.label(joiner.labels());
        ListMember member = members.findByListIdAndSubscriberId(list.id(), subscriber.id())
                .orElseGet(() -> new ListMember(list.id(), subscriber.id()));
        boolean isNew = member.version() == 0 || !member.isOn();
        if (isNew) {
            member.join(asked, now);
            members.saveAndFlush(member);
        }
        if (known.isEmpty()) {
            outcomes.record(outcome(joiner, subscriber.id(), now), Reporter.OPT_IN);
        }
        events.publishEvent(new SubscriberJoined(joiner.email()));
        return isNew;
    }

    /** What they agreed to goes on record, for every time they do. */
    private void agree(Joiner joiner) {
        if (!joiner.words().isBlank()) {
            consents.give(new ConsentGiven(
                    List.of(joiner.email()),
                    Set.of(ConsentPurpose.EMAIL_NEWS),
                    joiner.words(),
                    joiner.place(),
                    joiner.placeId(),
                    joiner.link(),
                    Optional.empty(),
                    joiner.page()));
        }
    }

    private void welcome(NewsletterList list, Joiner joiner, boolean isNew) {
        NewsletterList.Welcome welcome = list.welcome();
        if (isNew && welcome.isWanted()) {
            Map<String, String> values = Map.of(
                    "business",
                    businesses.current().name(),
                    "list",
                    list.listed().name());
            outbox.write(new Letter(
                    MessageType.EMAIL,
                    joiner.email(),
                    new MergeText(welcome.subject()).fill(values),
                    new MergeText(welcome.body()).fill(values),
                    ConsentPurpose.EMAIL_NEWS));
        }
    }

    /** A subscription is an outcome of the visit that it came from; somebody's second list is none. */
    private static OutcomeReport outcome(Joiner joiner, UUID subscriber, Instant now) {
        return new OutcomeReport(
                OutcomeKind.SUBSCRIPTION,
                subscriber.toString(),
                OptionalLong.empty(),
                joiner.click().map(ClickId::new),
                Optional.of(Occurrence.at(now)),
                Optional.empty(),
                OptionalLong.empty(),
                OptionalLong.empty(),
                new ReportedDetails("", joiner.email(), "", "", "", "", ""));
    }

    /** Who unsubscribed is on no list any more, and what waits to be confirmed is not. */
    @EventListener
    void on(ConsentWithdrawn event) {
        if (event.purposes().contains(ConsentPurpose.EMAIL_NEWS)) {
            requests.deleteOf(event.contact());
            subscribers
                    .findReal(event.contact())
                    .ifPresent(one -> members.findOn(one.id()).forEach(member -> member.leave(clock.instant())));
        }
    }
}
