package wendo.app.lead.leads;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import wendo.app.platform.business.BusinessLogRow;

/** A line in a lead's history. */
@Entity
@Immutable
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LeadEvent extends BusinessLogRow {
    private UUID leadId;
    private Instant at;

    @Column(name = "by")
    private String person;

    private String said;

    @SuppressWarnings("NullAway.Init")
    protected LeadEvent() {}

    LeadEvent(UUID lead, Instant at, String person, String said) {
        super(UUID.randomUUID());
        this.leadId = lead;
        this.at = at;
        this.person = person;
        this.said = said;
    }
}
