package wendo.app.place.proofs;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** A proof as it is kept; its links stand beside it. */
@Entity
@Table(name = "proof")
class StoredProof extends BusinessEntity {
    private String token;
    private Instant openedAt;
    private Instant openUntil;
    private String openedBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredProof() {}

    StoredProof(String token, Instant now, Instant until, String by) {
        super(UUID.randomUUID());
        this.token = token;
        this.openedAt = now;
        this.openUntil = until;
        this.openedBy = by;
    }

    void end(Instant now) {
        if (now.isBefore(openUntil)) {
            this.openUntil = now;
        }
    }

    Proofs.Proof proof() {
        return new Proofs.Proof(id(), token, openedAt, openUntil, openedBy);
    }
}
