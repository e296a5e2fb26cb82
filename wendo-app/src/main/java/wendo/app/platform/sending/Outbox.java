package wendo.app.platform.sending;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.ConsentWithdrawn;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.site.Texts;

/** Messages that wait, went out, or came to nothing. */
@Service
public class Outbox {
    private final OutgoingRepository repository;
    private final JdbcClient jdbc;
    private final Consents consents;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Outbox(
            OutgoingRepository repository,
            JdbcClient jdbc,
            Consents consents,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.consents = consents;
        this.events = events;
        this.clock = clock;
    }

    /** A message as pages show it. */
    public record Message(
            UUID id,
            String purpose,
            MessageType road,
            String recipient,
            String subject,
            String body,
            Instant dueAt,
            String state,
            Optional<Instant> sentAt,
            String said) {}

    public record Answer(Instant at, String text) {}

    /** Keeps a message until it is due. One of the same lead, purpose and place is there already: then it stays so. */
    @Transactional
    public void put(Draft draft) {
        jdbc.sql("""
                        insert into outgoing (id, business_id, lead_id, purpose, place, road, recipient, subject, body,
                            clip_id, due_at, state, tries, said, kept_at, needs)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'waiting', 0, '', ?, ?)
                        on conflict do nothing
                        """)
                .params(
                        UUID.randomUUID(),
                        BusinessScope.current().value(),
                        draft.lead(),
                        draft.purpose(),
                        draft.place())
                .params(draft.road().key(), draft.recipient(), draft.subject(), draft.body())
                .param(draft.clip().orElse(null))
                .params(Timestamp.from(draft.dueAt()), Timestamp.from(clock.instant()))
                .param(draft.needs().map(ConsentPurpose::key).orElse(""))
                .update();
    }

    /** How many were due by then and wait still. */
    @Transactional(readOnly = true)
    public long overdue(Instant by) {
        return repository.countByStateAndDueAtBefore(OutgoingMessage.WAITING, by);
    }

    /** A mail to somebody of the business that belongs to no lead. */
    @Transactional
    public void alert(String recipient, String subject, String body, Instant dueAt) {
        repository.save(
                OutgoingMessage.alert(recipient, new OutgoingMessage.Mail(subject, body), dueAt, clock.instant()));
    }

    /** A mail that asks somebody whether it was they who subscribed: they have agreed to nothing yet. */
    @Transactional
    public void confirm(String recipient, String subject, String body) {
        repository.save(OutgoingMessage.toConfirm(recipient, new OutgoingMessage.Mail(subject, body), clock.instant()));
    }

    /** Whose message this is, asked by anybody who holds it. */
    @Transactional(readOnly = true)
    public Optional<BusinessId> businessOf(UUID message) {
        return jdbc.sql("select door_outgoing(?)")
                .param(message)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    @Transactional(readOnly = true)
    public Optional<String> recipientOf(UUID message) {
        return repository.findById(message).map(OutgoingMessage::recipient);
    }

    /** A message to oneself, to see how it looks. */
    @Transactional
    public void tryOut(MessageType road, String recipient, String subject, String body) {
        repository.save(
                OutgoingMessage.tryOut(road, recipient, new OutgoingMessage.Mail(subject, body), clock.instant()));
    }

    /** Takes a message of a mailing, to go out now. Answers the identifier that it has here. */
    @Transactional
    public UUID write(Letter letter) {
        OutgoingMessage message = OutgoingMessage.ofMailing(letter, clock.instant());
        repository.save(message);
        return message.id();
    }

    /** What waits of a lead's plan goes out no more. Answers how many messages that were. */
    @Transactional
    public int stop(UUID lead, String why) {
        List<OutgoingMessage> waiting = repository.lockPlan(lead);
        waiting.forEach(one -> one.stop(why));
        return waiting.size();
    }

    @Transactional(readOnly = true)
    public List<Message> of(UUID lead) {
        return jdbc.sql("""
                        select id, purpose, road, recipient, subject, body, due_at, state, sent_at, said
                        from outgoing where lead_id = ? order by due_at, purpose, place
                        """).param(lead).query(Outbox::read).list();
    }

    @Transactional(readOnly = true)
    public List<Answer> answers(UUID lead) {
        return jdbc.sql("select received_at, text from answer_received where lead_id = ? order by received_at")
                .param(lead)
                .query((row, number) -> new Answer(row.getTimestamp(1).toInstant(), row.getString(2)))
                .list();
    }

    @Transactional(readOnly = true)
    public boolean isOptedOut(String contact) {
        return jdbc.sql("select exists (select from opted_out where contact = ?)")
                .param(contact)
                .query(Boolean.class)
                .single();
    }

    /** Those of the contacts who want no more messages. */
    @Transactional(readOnly = true)
    public Set<String> optedOut(List<String> contacts) {
        return contacts.isEmpty()
                ? Set.of()
                : Set.copyOf(jdbc.sql("select contact from opted_out where contact = any(cast(? as text[]))")
                        .param(contacts.toArray(String[]::new))
                        .query(String.class)
                        .list());
    }

    /** Whether mail came back from there for good. */
    @Transactional(readOnly = true)
    boolean isUnreachable(String contact) {
        return jdbc.sql("select exists (select from unreachable where contact = ?)")
                .param(contact)
                .query(Boolean.class)
                .single();
    }

    /** Whether a plan was begun for this contact, on behalf of another lead, since then. */
    @Transactional(readOnly = true)
    public boolean isWrittenTo(String contact, UUID lead, Instant since) {
        return jdbc.sql("""
                        select exists (select from outgoing
                            where purpose = 'plan' and recipient = ? and kept_at > ? and lead_id <> ?)
                        """)
                .params(contact, Timestamp.from(since), lead)
                .query(Boolean.class)
                .single();
    }

    /** For how many leads a plan was begun since then. */
    @Transactional(readOnly = true)
    public long plansBegunSince(Instant since) {
        return jdbc.sql("select count(distinct lead_id) from outgoing where purpose = 'plan' and kept_at > ?")
                .param(Timestamp.from(since))
                .query(Long.class)
                .single();
    }

    /** What waits for somebody who withdrew their consent to it goes out no more. */
    @EventListener
    void on(ConsentWithdrawn event) {
        List<OutgoingMessage> waiting = repository.lockNeeding(
                event.contact(),
                event.purposes().stream().map(ConsentPurpose::key).toList());
        waiting.forEach(one -> one.stop(Texts.kept("platform.sending.they-withdrew-their-consent")));
        waiting.stream()
                .flatMap(one -> one.lead().stream())
                .distinct()
                .forEach(lead -> events.publishEvent(new MessageStopped(
                        event.business(), lead, Texts.kept("platform.sending.they-withdrew-their-consent-what"))));
    }

    /** From now on nothing of a plan goes to this contact. */
    @Transactional
    public void optOut(String contact, Withdrawal how) {
        consents.withdraw(contact, how, "");
        jdbc.sql("insert into opted_out values (?, ?, ?) on conflict do nothing")
                .params(BusinessScope.current().value(), contact, Timestamp.from(clock.instant()))
                .update();
        repository
                .lockPlansTo(contact)
                .forEach(one -> one.stop(Texts.kept("platform.sending.they-want-no-more-messages")));
    }

    private static Message read(ResultSet row, int number) throws SQLException {
        return new Message(
                row.getObject(1, UUID.class),
                row.getString(2),
                MessageType.of(row.getString(3)),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                row.getTimestamp(7).toInstant(),
                row.getString(8),
                Optional.ofNullable(row.getTimestamp(9)).map(Timestamp::toInstant),
                row.getString(10));
    }
}
