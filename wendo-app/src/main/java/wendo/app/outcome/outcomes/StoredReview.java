package wendo.app.outcome.outcomes;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessEntity;

/** A report that was not believed; it is held by a statement, each reference once. */
@Entity
@Table(name = "outcome_review")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredReview extends BusinessEntity {
    private static final String WAITING = "waiting";

    @JdbcTypeCode(SqlTypes.JSON)
    private String body;

    private String reportedBy;
    private String visitor;
    private String site;
    private String reason;
    private Instant receivedAt;
    private String state;
    private String decidedBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredReview() {}

    boolean isWaiting() {
        return state.equals(WAITING);
    }

    void accept(String by) {
        decide("accepted", by);
    }

    void discard(String by) {
        decide("discarded", by);
    }

    private void decide(String newState, String by) {
        this.state = newState;
        this.decidedBy = by;
    }

    ReportBody body() {
        return JsonMapper.shared().readValue(body, ReportBody.class).at(receivedAt);
    }

    String reportedBy() {
        return reportedBy;
    }

    String visitor() {
        return visitor;
    }

    String site() {
        return site;
    }

    String reason() {
        return reason;
    }

    Instant receivedAt() {
        return receivedAt;
    }
}
