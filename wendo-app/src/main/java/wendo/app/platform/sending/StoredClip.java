package wendo.app.platform.sending;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** A picture or a clip as it was brought. */
@Entity
@Table(name = "clip")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredClip extends BusinessEntity {
    private String name;
    private String type;
    private byte[] content;
    private Instant addedAt;
    private String addedBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredClip() {}

    StoredClip(String name, String type, byte[] content, Instant addedAt, String addedBy) {
        super(UUID.randomUUID());
        this.name = name;
        this.type = type;
        this.content = content.clone();
        this.addedAt = addedAt;
        this.addedBy = addedBy;
    }

    Clips.Clip at(String address) {
        return new Clips.Clip(id(), name, type, content.clone(), address);
    }
}
