package wendo.app.audience.addesks;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** An audience that is kept on a desk's list, and how it went last. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Transfer extends BusinessEntity {
    private static final int MAX_FAULT = 300;

    @Column(updatable = false)
    private UUID audienceId;

    @Column(updatable = false)
    private UUID deskId;

    @Column(updatable = false)
    private String listName;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant runAt;
    private long added;
    private long removed;
    private long size;
    private long matched;
    private String fault;
    private @Nullable Instant endedAt;

    @SuppressWarnings("NullAway.Init")
    protected Transfer() {}

    Transfer(UUID audience, UUID desk, String list, String by, Instant now) {
        super(UUID.randomUUID());
        this.audienceId = audience;
        this.deskId = desk;
        this.listName = list;
        this.madeBy = by;
        this.madeAt = now;
        this.fault = "";
    }

    void ran(Transfers.Done done, Instant now) {
        this.runAt = now;
        this.added = done.added();
        this.removed = done.removed();
        this.size = done.size();
        this.matched = done.matched();
        this.fault = "";
    }

    /** What was done before it failed is kept, and gone on from. */
    void failed(String why, Instant now) {
        this.runAt = now;
        this.fault = why.length() <= MAX_FAULT ? why : why.substring(0, MAX_FAULT);
    }

    /** Its people are taken from the list by the next run. */
    void end(Instant now) {
        this.endedAt = now;
    }

    boolean isEnded() {
        return endedAt != null;
    }

    UUID audience() {
        return audienceId;
    }

    UUID desk() {
        return deskId;
    }

    String listName() {
        return listName;
    }

    Optional<Instant> runAt() {
        return Optional.ofNullable(runAt);
    }

    Transfers.Done last() {
        return new Transfers.Done(added, removed, size, matched);
    }

    String fault() {
        return fault;
    }
}
