package wendo.app.compare.crosscheck;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A cross-check as it is kept; what the other system counted is kept beside it, day by day. */
@Entity
@Table(name = "cross_check")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredCheck extends BusinessEntity {
    private @Nullable UUID sourceId;
    private @Nullable UUID hostId;
    private String counted;
    private String system;
    private String zone;
    private int tolerancePercent;
    private Instant createdAt;
    private String createdBy;
    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredCheck() {}

    StoredCheck(Check check, Instant now, String by) {
        super(check.id());
        UUID subject = check.subject().id();
        this.sourceId = check.subject().isDomain() ? null : subject;
        this.hostId = check.subject().isDomain() ? subject : null;
        this.counted = check.counted().key();
        this.system = check.system();
        this.zone = check.zone().getId();
        this.tolerancePercent = check.tolerancePercent();
        this.createdAt = now;
        this.createdBy = by;
    }

    void remove(Instant now) {
        this.removedAt = now;
    }

    void putBack() {
        this.removedAt = null;
    }
}
