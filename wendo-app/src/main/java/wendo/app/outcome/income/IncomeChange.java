package wendo.app.outcome.income;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** News that changed what a network pays for an outcome. */
@Entity
class IncomeChange extends BusinessLogRow {
    @SuppressWarnings("UnusedVariable") // asked for by queries alone
    private UUID outcomeId;

    private String field;
    private String before;
    private String after;

    @SuppressWarnings("UnusedVariable") // ordered by in queries
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

    /** One field, before and after; the state before is an empty text with the first news. */
    record Changed(String field, String before, String after) {
        static final String STATE = "state";
        static final String COMMISSION = "commission";
    }

    boolean isBy(String somebody) {
        return changedBy.equals(somebody);
    }

    Changed changed() {
        return new Changed(field, before, after);
    }
}
