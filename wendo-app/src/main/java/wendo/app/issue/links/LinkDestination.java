package wendo.app.issue.links;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** Where a link has led from an instant on. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LinkDestination extends BusinessLogRow {
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

    LinkDestination(UUID link, UUID destination, String address, Change change) {
        super(UUID.randomUUID());
        this.linkId = link;
        this.destinationId = destination;
        this.address = address;
        this.reason = change.reason();
        this.changedAt = change.at();
        this.changedBy = change.by();
    }
}
