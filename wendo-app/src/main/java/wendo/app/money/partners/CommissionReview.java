package wendo.app.money.partners;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** An outcome of a partner that somebody should look at. It earns until somebody refuses it. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class CommissionReview extends BusinessEntity {
    private UUID partnerId;
    private UUID outcomeId;
    private String reason;
    private String state;
    private String said;
    private Instant foundAt;
    private @Nullable Instant decidedAt;
    private String decidedBy;

    @SuppressWarnings("NullAway.Init")
    protected CommissionReview() {}

    void decide(boolean isPaid, Instant now, String by) {
        this.state = isPaid ? "cleared" : "refused";
        this.decidedAt = now;
        this.decidedBy = by;
    }

    UUID partner() {
        return partnerId;
    }

    UUID outcome() {
        return outcomeId;
    }
}
