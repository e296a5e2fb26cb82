package wendo.app.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import wendo.app.business.BusinessId;

@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class Link {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private UUID hostId;
    private String slug;
    private String skeleton;
    private String name;
    private String note;
    private UUID sourceId;
    private UUID campaignId;
    private UUID destinationId;
    private String taggedAddress;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected Link() {}

    Link(
            BusinessId business,
            IssueSheet sheet,
            IssueSheet.Stub stub,
            CampaignListed campaign,
            Destination destination) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.hostId = sheet.host().id();
        this.slug = stub.checkedSlug().value();
        this.skeleton = stub.checkedSlug().skeleton();
        this.name = stub.name();
        this.note = sheet.note();
        this.sourceId = stub.source().id();
        this.campaignId = campaign.id();
        this.destinationId = destination.id();
        this.taggedAddress = stub.taggedAddress();
        this.createdAt = Instant.EPOCH;
        this.createdBy = "";
    }

    void issuedBy(String person, Instant at) {
        this.createdBy = person;
        this.createdAt = at;
    }

    UUID id() {
        return id;
    }
}
