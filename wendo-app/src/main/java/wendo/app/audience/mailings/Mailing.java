package wendo.app.audience.mailings;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.sending.MessageType;
import wendo.core.measure.UnitPrice;

/** One message to an audience: a draft until it is started, then under way, paused, or over. */
@Entity
class Mailing extends BusinessEntity {
    @Column(updatable = false)
    private UUID audienceId;

    private UUID linkId;
    private @Nullable UUID listId;
    private String name;
    private String road;
    private String subject;
    private String body;
    private int heldOutPercent;
    private int perMinute;

    @Column(name = "spares_weekly")
    private boolean sparesWeekly;

    private @Nullable Long segmentMillis;
    private long spared;
    private @Nullable UUID spendId;
    private String state;
    private @Nullable Instant startedAt;
    private @Nullable Instant handedAt;
    private @Nullable Instant endedAt;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    @SuppressWarnings("NullAway.Init")
    protected Mailing() {}

    @SuppressWarnings("NullAway.Init")
    Mailing(UUID audience, MailingForm said, String by, Instant now) {
        super(UUID.randomUUID());
        this.audienceId = audience;
        this.state = MailingState.DRAFT.key();
        this.madeAt = now;
        this.madeBy = by;
        become(said);
    }

    /** Only a draft changes. */
    final void become(MailingForm said) {
        this.linkId = said.link();
        this.name = said.name();
        this.road = said.road().key();
        this.subject = said.subject();
        this.body = said.body();
        this.heldOutPercent = said.heldOutPercent();
        this.perMinute = said.perMinute();
        this.sparesWeekly = said.sparesWeekly();
        this.segmentMillis = said.segment().map(UnitPrice::millis).orElse(null);
    }

    MailingForm form() {
        return new MailingForm(
                name,
                linkId,
                MessageType.of(road),
                subject,
                body,
                heldOutPercent,
                perMinute,
                sparesWeekly,
                Optional.ofNullable(segmentMillis).map(UnitPrice::new));
    }

    MailingState state() {
        return MailingState.of(state);
    }

    /** So many were left out, for another mailing wrote to them or held them out within a week. */
    void spare(long people) {
        this.spared = people;
    }

    long spared() {
        return spared;
    }

    /** What sending it cost is entered as this spend. */
    void cost(UUID spend) {
        this.spendId = spend;
    }

    Optional<UUID> spend() {
        return Optional.ofNullable(spendId);
    }

    void prepare() {
        this.state = MailingState.PREPARING.key();
    }

    void start(UUID list, Instant now) {
        this.listId = list;
        this.startedAt = now;
        this.state = MailingState.SENDING.key();
    }

    void hand(Instant now) {
        this.handedAt = now;
    }

    void pause() {
        this.state = MailingState.PAUSED.key();
    }

    void resume() {
        this.state = MailingState.SENDING.key();
        this.handedAt = null;
    }

    void end(MailingState how, Instant now) {
        this.state = how.key();
        this.endedAt = now;
    }

    UUID audience() {
        return audienceId;
    }

    Optional<UUID> list() {
        return Optional.ofNullable(listId);
    }

    Optional<Instant> startedAt() {
        return Optional.ofNullable(startedAt);
    }

    Optional<Instant> handedAt() {
        return Optional.ofNullable(handedAt);
    }

    Optional<Instant> endedAt() {
        return Optional.ofNullable(endedAt);
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }
}
