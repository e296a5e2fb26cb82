package wendo.app.issue.alerts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;

/** That somebody is told of the visits of a link, and what they were told last. */
@Entity
@IdClass(LinkAlert.Key.class)
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LinkAlert extends BusinessRow {
    @Id
    private UUID linkId;

    @Id
    private UUID personId;

    private String mode;
    private long visitsBefore;
    private Instant since;
    private long toldVisits;
    private @Nullable Instant toldAt;

    /** One person and one link. */
    record Key(UUID linkId, UUID personId) implements Serializable {}

    @SuppressWarnings("NullAway.Init")
    protected LinkAlert() {}

    /** @param visitsBefore what the link had when somebody asked; only later ones are told */
    LinkAlert(Key key, AlertMode mode, long visitsBefore, Instant since) {
        this.linkId = key.linkId();
        this.personId = key.personId();
        this.mode = mode.key();
        this.visitsBefore = visitsBefore;
        this.since = since;
    }

    AlertMode mode() {
        return AlertMode.find(mode).orElseThrow();
    }

    void tellBy(AlertMode next) {
        this.mode = next.key();
    }

    boolean hasTold(long visits) {
        return toldVisits == visits;
    }

    void told(long visits, Instant now) {
        this.toldVisits = visits;
        this.toldAt = now;
    }
}
