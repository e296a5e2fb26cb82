package wendo.app.place.proofs;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;

/** A link that a proof is of, at its place. */
@Entity
@Immutable
@IdClass(ProofLink.Key.class)
@SuppressWarnings("UnusedVariable") // the database reads its place
class ProofLink {
    @Id
    private UUID proofId;

    @Id
    private UUID linkId;

    @TenantId
    private @Nullable UUID businessId;

    private int place;

    /** One link of one proof. */
    record Key(UUID proofId, UUID linkId) implements Serializable {}

    @SuppressWarnings("NullAway.Init")
    protected ProofLink() {}

    ProofLink(UUID proof, UUID link, int place) {
        this.proofId = proof;
        this.linkId = link;
        this.place = place;
    }
}
