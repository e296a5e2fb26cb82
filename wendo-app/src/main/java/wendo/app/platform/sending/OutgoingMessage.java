package wendo.app.platform.sending;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.Texts;

/** A message that waits, is on its way, went out, or came to nothing. */
@Entity
@DynamicUpdate // its text is long and never changes
@Table(name = "outgoing")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class OutgoingMessage extends BusinessEntity {
    static final String WAITING = "waiting";
    private static final String MAILING = "mailing";
    private static final String SENDING = "sending";
    private static final String CONFIRM = "confirm";

    private @Nullable UUID leadId;
    private String purpose;
    private int place;
    private String road;
    private String recipient;
    private String subject;
    private String body;
    private @Nullable UUID clipId;
    private Instant dueAt;
    private String state;
    private int tries;
    private @Nullable Instant claimedAt;
    private @Nullable Instant sentAt;
    private String said;
    private Instant keptAt;
    private String needs;

    @SuppressWarnings("NullAway.Init")
    protected OutgoingMessage() {}

    /** One to somebody of the business, which belongs to no lead. */
    record Mail(String subject, String body) {}

    static OutgoingMessage alert(String recipient, Mail mail, Instant dueAt, Instant now) {
        OutgoingMessage one = new OutgoingMessage(UUID.randomUUID());
        one.purpose = "alert";
        one.road = MessageType.EMAIL.key();
        one.recipient = recipient;
        one.subject = Draft.subject(mail.subject());
        one.body = Draft.body(mail.body());
        one.dueAt = dueAt;
        one.keptAt = now;
        return one;
    }

    @SuppressWarnings("NullAway.Init")
    private OutgoingMessage(UUID id) {
        super(id);
        this.state = WAITING;
        this.said = "";
        this.needs = "";
    }

    MessageType type() {
        return MessageType.of(road);
    }

    String recipient() {
        return recipient;
    }

    Optional<UUID> lead() {
        return Optional.ofNullable(leadId);
    }

    /** Whether it went to somebody who may want no more of them. */
    boolean hasWayOut() {
        return purpose.equals("plan") || purpose.equals(MAILING);
    }

    static OutgoingMessage tryOut(MessageType road, String recipient, Mail mail, Instant now) {
        OutgoingMessage one = alert(recipient, mail, now, now);
        one.road = road.key();
        return one;
    }

    static OutgoingMessage toConfirm(String recipient, Mail mail, Instant now) {
        OutgoingMessage one = alert(recipient, mail, now, now);
        one.purpose = CONFIRM;
        return one;
    }

    /** Whether it goes to somebody outside of the business, whose mailbox may have come to an end. */
    boolean mayComeBack() {
        return hasWayOut() || purpose.equals(CONFIRM);
    }

    /** One of a mailing, which goes out at once and only while its recipient agrees. */
    static OutgoingMessage ofMailing(Letter letter, Instant now) {
        OutgoingMessage one = alert(letter.recipient(), new Mail(letter.subject(), letter.body()), now, now);
        one.purpose = MAILING;
        one.road = letter.road().key();
        one.needs = letter.needs().key();
        return one;
    }

    int tries() {
        return tries;
    }

    /** What is needed of the recipient before it may go out. */
    Optional<ConsentPurpose> needs() {
        return ConsentPurpose.find(needs);
    }

    Post post(String from, Clips clips) {
        return new Post(
                id(),
                type(),
                from,
                recipient,
                subject,
                body,
                Optional.ofNullable(clipId).flatMap(clips::find));
    }

    void claim(Instant now) {
        state = SENDING;
        claimedAt = now;
        tries++;
    }

    /** Its process was lost: a gateway knows a text it is given again, a mailbox does not know a mail. */
    void lose() {
        if (type() == MessageType.EMAIL) {
            state = "unsure";
            said = Texts.kept("platform.sending.wendo-stopped-while");
        } else {
            state = WAITING;
        }
    }

    /** False if it was settled otherwise meanwhile. */
    boolean isOnItsWay() {
        return state.equals(SENDING);
    }

    boolean isGivenAway() {
        return isOnItsWay() || state.equals("sent");
    }

    void sent(String by, Instant now) {
        settle("sent", by);
        sentAt = now;
    }

    void unsure(String why, Instant now) {
        settle("unsure", why);
        sentAt = now;
    }

    void tryAgain(String why, Instant at) {
        settle(WAITING, why);
        dueAt = at;
    }

    void fail(String why) {
        settle("failed", why);
        sentAt = null;
    }

    void deliver(String how) {
        settle("delivered", how);
    }

    /** The gateway gave it up after it had taken it. */
    void comeBack(String why) {
        settle("failed", why);
    }

    void stop(String why) {
        settle("stopped", why);
    }

    private void settle(String next, String why) {
        state = next;
        said = why;
    }
}
