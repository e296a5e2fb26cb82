package wendo.app.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import wendo.app.business.BusinessId;
import wendo.core.links.WebAddress;

@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class Destination {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private String address;
    private Instant createdAt;

    @SuppressWarnings("NullAway.Init")
    protected Destination() {}

    Destination(BusinessId business, WebAddress address, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.address = address.toString();
        this.createdAt = createdAt;
    }

    UUID id() {
        return id;
    }
}
