package wendo.app.place.newsletters;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** Somebody who subscribed by a link; one of a test belongs to its proof. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Subscriber extends BusinessEntity {
    private UUID linkId;
    private String email;
    private Instant subscribedAt;
    private @Nullable UUID clickId;
    private @Nullable UUID proofId;

    @SuppressWarnings("NullAway.Init")
    protected Subscriber() {}

    Subscriber(UUID link, String email, Optional<UUID> click, Optional<UUID> proof, Instant now) {
        super(UUID.randomUUID());
        this.linkId = link;
        this.email = email;
        this.clickId = click.orElse(null);
        this.proofId = proof.orElse(null);
        this.subscribedAt = now;
    }
}
