package wendo.app.prepare.evidence;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessRow;

/** A code, an answer or a website that stands for a source. */
@Entity
@IdClass(SourceClue.Key.class)
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class SourceClue extends BusinessRow {
    @Id
    private String kind;

    @Id
    private String key;

    private String shown;
    private UUID sourceId;
    private Instant addedAt;
    private String addedBy;

    /** What it is, and how it is compared. */
    record Key(String kind, String key) implements Serializable {}

    @SuppressWarnings("NullAway.Init")
    protected SourceClue() {}

    SourceClue(Key key, String shown, UUID source, Instant addedAt, String addedBy) {
        this.kind = key.kind();
        this.key = key.key();
        this.shown = shown;
        this.sourceId = source;
        this.addedAt = addedAt;
        this.addedBy = addedBy;
    }

    void standFor(UUID source) {
        this.sourceId = source;
    }
}
