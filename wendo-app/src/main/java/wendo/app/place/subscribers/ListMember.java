package wendo.app.place.subscribers;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** That a subscriber is, or was, on a list. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ListMember extends BusinessEntity {
    private UUID listId;
    private UUID subscriberId;
    private Instant askedAt;
    private Instant joinedAt;
    private @Nullable Instant leftAt;

    @SuppressWarnings("NullAway.Init")
    protected ListMember() {}

    @SuppressWarnings("NullAway.Init")
    ListMember(UUID list, UUID subscriber) {
        super(UUID.randomUUID());
        this.listId = list;
        this.subscriberId = subscriber;
    }

    boolean isOn() {
        return leftAt == null;
    }

    UUID list() {
        return listId;
    }

    /** @param asked when they pressed first; the same moment where nothing had to be confirmed */
    void join(Instant asked, Instant now) {
        this.askedAt = asked;
        this.joinedAt = now;
        this.leftAt = null;
    }

    void leave(Instant now) {
        this.leftAt = now;
    }
}
