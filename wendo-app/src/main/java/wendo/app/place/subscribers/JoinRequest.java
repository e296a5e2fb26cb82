package wendo.app.place.subscribers;

import jakarta.persistence.Entity;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.consent.ConsentPlace;

/** Somebody pressed to join a list that asks by mail whether it was they. Its identifier stands in that mail. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class JoinRequest extends BusinessEntity {
    /** More than these in a day would be somebody else's fun. Ours. */
    private static final int MOST_MAILS = 3;

    private static final Duration MAILS_COUNT_FOR = Duration.ofDays(1);

    private UUID listId;
    private String email;
    private String words;
    private String place;
    private UUID placeId;
    private @Nullable UUID linkId;
    private @Nullable UUID clickId;
    private String[] labels = {};
    private String page;
    private Instant askedAt;
    private Instant expiresAt;
    private int mails;
    private Instant mailedAt;
    private @Nullable Instant confirmedAt;

    @SuppressWarnings("NullAway.Init")
    protected JoinRequest() {}

    @SuppressWarnings("NullAway.Init")
    JoinRequest(Joiner joiner) {
        super(UUID.randomUUID());
        this.listId = joiner.list();
        this.email = joiner.email();
    }

    /** Asked again it is about what was said last, and its time begins anew. */
    void ask(Joiner joiner, Instant now, Instant until) {
        this.words = joiner.words();
        this.place = joiner.place().key();
        this.placeId = joiner.placeId();
        this.linkId = joiner.link().orElse(null);
        this.clickId = joiner.click().orElse(null);
        this.labels = joiner.labels().toArray(String[]::new);
        this.page = joiner.page();
        this.askedAt = now;
        this.expiresAt = until;
        this.confirmedAt = null;
    }

    /** Whether one more mail may go there; counts it. */
    boolean mail(Instant now) {
        if (mails >= MOST_MAILS && mailedAt.isAfter(now.minus(MAILS_COUNT_FOR))) {
            return false;
        }
        mails = mails >= MOST_MAILS ? 1 : mails + 1;
        mailedAt = now;
        return true;
    }

    Joiner joiner() {
        return new Joiner(
                listId,
                email,
                words,
                ConsentPlace.of(place),
                placeId,
                Optional.ofNullable(linkId),
                Optional.ofNullable(clickId),
                Set.of(labels),
                page);
    }

    boolean isOver(Instant now) {
        return now.isAfter(expiresAt);
    }

    boolean isConfirmed() {
        return confirmedAt != null;
    }

    void confirm(Instant now) {
        this.confirmedAt = now;
    }

    Instant askedAt() {
        return askedAt;
    }
}
