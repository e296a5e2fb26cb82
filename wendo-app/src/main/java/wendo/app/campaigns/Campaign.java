package wendo.app.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.business.BusinessId;
import wendo.core.links.Tag;

@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class Campaign {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private String name;
    private String tag;
    private @Nullable LocalDate startsOn;
    private @Nullable LocalDate endsOn;
    private Instant createdAt;

    @SuppressWarnings("NullAway.Init")
    protected Campaign() {}

    Campaign(BusinessId business, String name, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.name = name;
        this.tag = Tag.of(name).value();
        this.createdAt = createdAt;
    }

    void runFrom(LocalDate first, LocalDate last) {
        this.startsOn = first;
        this.endsOn = last;
    }

    CampaignListed listed() {
        return new CampaignListed(id, name, new Tag(tag));
    }
}
