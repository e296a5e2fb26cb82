package wendo.app.prepare.sources;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Source extends BusinessEntity {
    private String name;
    private String tag;

    @Enumerated(EnumType.STRING)
    private Channel channel;

    private String medium;
    private Instant createdAt;
    private String contact = "";
    private String note = "";
    private @Nullable UUID ownerId;
    private @Nullable Instant archivedAt;
    private @Nullable UUID mergedInto;

    @SuppressWarnings("NullAway.Init")
    protected Source() {}

    Source(String name, Channel channel, Instant createdAt) {
        super(UUID.randomUUID());
        this.name = name;
        this.tag = Tag.of(name).value();
        this.channel = channel;
        this.medium = channel.medium();
        this.createdAt = createdAt;
    }

    SourceListed listed() {
        return new SourceListed(id(), name, new Tag(tag), channel, new Tag(medium));
    }

    SourceForm form() {
        return new SourceForm(
                name,
                channel.key(),
                medium,
                Optional.ofNullable(ownerId).map(UUID::toString).orElse(""),
                contact,
                note);
    }

    boolean isArchived() {
        return archivedAt != null;
    }

    Optional<UUID> mergedInto() {
        return Optional.ofNullable(mergedInto);
    }

    /** Its tag stays: addresses that carry it are out in the world. */
    void describe(SourceForm.Checked form) {
        this.name = form.name();
        this.channel = form.channel();
        this.medium = form.medium().value();
        this.ownerId = form.owner().orElse(null);
        this.contact = form.contact();
        this.note = form.note();
    }

    void archive(Instant now) {
        this.archivedAt = now;
    }

    void restore() {
        this.archivedAt = null;
    }

    void mergeInto(Source kept, Instant now) {
        this.mergedInto = kept.id();
        this.archivedAt = now;
    }
}
