package wendo.app.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import wendo.app.business.BusinessId;

/** Where a link has led from an instant on. */
@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class LinkDestination {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private UUID linkId;
    private UUID destinationId;
    private String address;
    private String reason;
    private Instant changedAt;
    private String changedBy;

    /** Who made a change, when and why. */
    record Change(String by, Instant at, String reason) {}

    @SuppressWarnings("NullAway.Init")
    protected LinkDestination() {}

    LinkDestination(BusinessId business, UUID link, UUID destination, String address, Change change) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.linkId = link;
        this.destinationId = destination;
        this.address = address;
        this.reason = change.reason();
        this.changedAt = change.at();
        this.changedBy = change.by();
    }
}
