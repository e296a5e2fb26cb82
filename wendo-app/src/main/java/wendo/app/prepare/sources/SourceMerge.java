package wendo.app.prepare.sources;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import wendo.app.platform.business.BusinessLogRow;

/** A merge that was done; it stays as it is. */
@Entity
@Immutable
class SourceMerge extends BusinessLogRow {
    private UUID keptId;
    private UUID mergedId;
    private String mergedName;
    private String reason;

    @Column(name = "links")
    private long movedLinks;

    @Column(name = "visits")
    private long movedVisits;

    private Instant mergedAt;
    private String mergedBy;

    @SuppressWarnings("NullAway.Init")
    protected SourceMerge() {}

    SourceMerge(UUID kept, UUID merged, SourceMerging.Done done) {
        super(UUID.randomUUID());
        this.keptId = kept;
        this.mergedId = merged;
        this.mergedName = done.mergedName();
        this.reason = done.reason();
        this.movedLinks = done.moves().links();
        this.movedVisits = done.moves().visits();
        this.mergedAt = done.at();
        this.mergedBy = done.by();
    }

    SourceMerging.Done done() {
        return new SourceMerging.Done(
                mergedName, reason, new SourceMerging.Moves(movedLinks, movedVisits), mergedAt, mergedBy);
    }
}
