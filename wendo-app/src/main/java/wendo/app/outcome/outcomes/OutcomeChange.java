package wendo.app.outcome.outcomes;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** An entry of an outcome's history: one field that news changed. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class OutcomeChange extends BusinessLogRow {
    private UUID outcomeId;
    private Instant changedAt;
    private String changedBy;
    private String field;
    private String before;
    private String after;

    @SuppressWarnings("NullAway.Init")
    protected OutcomeChange() {}

    OutcomeChange(UUID outcome, KnownOutcome.Change change, String by, Instant now) {
        super(UUID.randomUUID());
        this.outcomeId = outcome;
        this.changedAt = now;
        this.changedBy = by;
        this.field = change.field();
        this.before = change.before();
        this.after = change.after();
    }

    String changedBy() {
        return changedBy;
    }
}
