package wendo.app.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import wendo.app.business.BusinessId;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class Source {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private String name;
    private String tag;

    @Enumerated(EnumType.STRING)
    private Channel channel;

    private String medium;
    private Instant createdAt;

    @SuppressWarnings("NullAway.Init")
    protected Source() {}

    Source(BusinessId business, String name, Channel channel, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.name = name;
        this.tag = Tag.of(name).value();
        this.channel = channel;
        this.medium = channel.medium();
        this.createdAt = createdAt;
    }

    SourceListed listed() {
        return new SourceListed(id, name, new Tag(tag), channel, new Tag(medium));
    }
}
