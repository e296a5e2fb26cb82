package wendo.app.place.placements;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** Where and when a link was put out. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Placement extends BusinessEntity {
    private UUID linkId;
    private String place;
    private LocalDate placedOn;
    private LocalDate endsOn;
    private @Nullable Long copies;
    private @Nullable Long unitPriceMillis;
    private @Nullable UUID spendId;
    private String note;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected Placement() {}

    Placement(UUID link, PlacementForm.Placement said, Optional<UUID> spend, Instant now, String by) {
        super(UUID.randomUUID());
        this.linkId = link;
        this.place = said.place();
        this.placedOn = said.placedOn();
        this.endsOn = said.endsOn();
        this.copies = said.copies().orElse(null);
        this.unitPriceMillis = said.price().map(price -> price.millis()).orElse(null);
        this.spendId = spend.orElse(null);
        this.note = said.note();
        this.createdAt = now;
        this.createdBy = by;
    }

    Optional<UUID> spend() {
        return Optional.ofNullable(spendId);
    }
}
