package wendo.app.issue.links;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A change of many links that was made, and may have been undone. */
@Entity
@Table(name = "link_change")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class BulkChange extends BusinessEntity {
    @Enumerated(EnumType.STRING)
    private LinkProperty property;

    private String said;
    private int links;
    private Instant madeAt;
    private String madeBy;
    private @Nullable Instant undoneAt;
    private String undoneBy = "";

    @SuppressWarnings("NullAway.Init")
    protected BulkChange() {}

    BulkChange(LinkChanges.Made made, LinkProperty property) {
        super(made.id());
        this.property = property;
        this.said = made.said();
        this.links = made.links();
        this.madeAt = made.at();
        this.madeBy = made.by();
    }

    boolean isUndone() {
        return undoneAt != null;
    }

    void undo(Instant now, String by) {
        this.undoneAt = now;
        this.undoneBy = by;
    }

    LinkProperty property() {
        return property;
    }
}
