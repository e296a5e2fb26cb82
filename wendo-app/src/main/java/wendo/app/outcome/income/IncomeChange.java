package wendo.app.outcome.income;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** News that changed what a network pays for an outcome. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class IncomeChange extends BusinessLogRow {
    private UUID outcomeId;
    private String field;
    private String before;
    private String after;
    private Instant changedAt;
    private String changedBy;

    @SuppressWarnings("NullAway.Init")
    protected IncomeChange() {}

    IncomeChange(UUID outcome, Changed changed, Instant now, String by) {
        super(UUID.randomUUID());
        this.outcomeId = outcome;
        this.field = changed.field();
        this.before = changed.before();
        this.after = changed.after();
        this.changedAt = now;
        this.changedBy = by;
    }

    /** One field, before and after. */
    record Changed(String field, String before, String after) {}
}
