package wendo.app.lead.leads;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;

/** What is done with an outcome that is a lead. Leads are taken up by a statement, many at once. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Lead extends BusinessRow {
    @Id
    private UUID outcomeId;

    private @Nullable UUID ownerId;
    private String stage;
    private long quotedMinor;
    private String lostReason;
    private String[] labels = {};
    private String note;
    private String sharedWith;
    private @Nullable UUID becameId;

    @Column(name = "is_won_by_hand")
    private boolean isWonByHand;

    @Column(updatable = false)
    private Instant arrivedAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant handedAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant triedAt;

    @SuppressWarnings("NullAway.Init")
    protected Lead() {}

    boolean isHanded() {
        return handedAt != null;
    }

    void hand(Instant now) {
        this.handedAt = now;
    }

    /** It could not be handed over now. */
    void tried(Instant now) {
        this.triedAt = now;
    }

    void give(Leads.Given given, String newNote) {
        this.ownerId = given.owner().orElse(null);
        this.labels = given.labels().toArray(String[]::new);
        this.note = newNote;
        this.sharedWith = given.sharedWith();
    }

    void own(Optional<UUID> owner) {
        this.ownerId = owner.orElse(null);
    }

    /** A booking or a purchase that came by itself. */
    void became(UUID outcome) {
        this.becameId = outcome;
        this.stage = Stage.WON.key();
    }

    /** A booking or a purchase that somebody entered for it. What was quoted stays. */
    void wonByHand(UUID outcome) {
        became(outcome);
        this.isWonByHand = true;
        this.lostReason = "";
    }

    void stage(Stage newStage, long newQuotedMinor, String newLostReason) {
        this.stage = newStage.key();
        this.quotedMinor = newQuotedMinor;
        this.lostReason = newLostReason;
    }
}
