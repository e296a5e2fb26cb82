package wendo.app.money.spend;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import wendo.app.platform.business.BusinessLogRow;

/** What an entry said until it was corrected. */
@Entity
@Immutable
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class SpendCorrection extends BusinessLogRow {
    private UUID spendId;
    private String said;
    private Instant correctedAt;
    private String correctedBy;

    @SuppressWarnings("NullAway.Init")
    protected SpendCorrection() {}

    SpendCorrection(UUID spend, String said, Instant now, String by) {
        super(UUID.randomUUID());
        this.spendId = spend;
        this.said = said;
        this.correctedAt = now;
        this.correctedBy = by;
    }
}
