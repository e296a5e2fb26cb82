package wendo.app.lead.leads;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A task of a lead's owner; those of a plan are added by a statement, each once. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LeadTask extends BusinessEntity {
    private UUID leadId;
    private @Nullable Integer place;
    private String text;
    private Instant dueAt;
    private @Nullable Instant doneAt;
    private String doneBy;

    @SuppressWarnings("NullAway.Init")
    protected LeadTask() {}

    boolean isDone() {
        return doneAt != null;
    }

    void finish(Instant now, String by) {
        this.doneAt = now;
        this.doneBy = by;
    }
}
