package wendo.app.money.exchange;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A text or a picture that a partner may use, or all of them may. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerMaterial extends BusinessEntity {
    private @Nullable UUID partnerId;
    private String title;
    private String body;

    @SuppressWarnings("ArrayRecordComponent")
    private byte @Nullable [] picture;

    private Instant madeAt;
    private String madeBy;

    @SuppressWarnings("NullAway.Init")
    protected PartnerMaterial() {}

    PartnerMaterial(Optional<UUID> partner, Materials.Draft draft, Instant now, String by) {
        super(UUID.randomUUID());
        this.partnerId = partner.orElse(null);
        this.title = draft.title();
        this.body = draft.body();
        this.picture = draft.jpeg().orElse(null);
        this.madeAt = now;
        this.madeBy = by;
    }

    boolean isFor(UUID partner) {
        return partnerId == null || partnerId.equals(partner);
    }

    Optional<byte[]> picture() {
        return Optional.ofNullable(picture);
    }

    Materials.Shown shown() {
        return new Materials.Shown(id(), partnerId == null, title, body, picture != null);
    }
}
