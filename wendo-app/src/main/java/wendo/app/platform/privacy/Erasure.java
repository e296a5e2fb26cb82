package wendo.app.platform.privacy;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import wendo.app.platform.business.BusinessLogRow;

/** That somebody's data was erased; not whose. */
@Entity
@Immutable
class Erasure extends BusinessLogRow {
    private Instant at;
    private String by;
    private int records;
    private String reason;

    @SuppressWarnings("NullAway.Init")
    protected Erasure() {}

    Erasure(String by, int records, String reason, Instant now) {
        super(UUID.randomUUID());
        this.by = by;
        this.records = records;
        this.reason = reason;
        this.at = now;
    }

    Shown shown() {
        return new Shown(at, by, records, reason);
    }

    record Shown(Instant at, String by, int records, String reason) {}
}
