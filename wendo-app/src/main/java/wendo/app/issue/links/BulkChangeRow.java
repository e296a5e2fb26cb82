package wendo.app.issue.links;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;

/** What one link was before and after a change of many. */
@Entity
@Immutable
@Table(name = "link_change_row")
@IdClass(BulkChangeRow.Key.class)
class BulkChangeRow {
    @Id
    private UUID changeId;

    @Id
    private UUID linkId;

    @TenantId
    private @Nullable UUID businessId;

    @Column(name = "before")
    private String valueBefore;

    @Column(name = "after")
    private String valueAfter;

    /** One link of one change. */
    record Key(UUID changeId, UUID linkId) implements Serializable {}

    @SuppressWarnings("NullAway.Init")
    protected BulkChangeRow() {}

    BulkChangeRow(UUID change, UUID link, String before, String after) {
        this.changeId = change;
        this.linkId = link;
        this.valueBefore = before;
        this.valueAfter = after;
    }

    UUID link() {
        return linkId;
    }

    String before() {
        return valueBefore;
    }

    String after() {
        return valueAfter;
    }
}
