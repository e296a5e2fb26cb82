package wendo.app.visit.sitetag;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import wendo.app.platform.business.BusinessRow;

/** A site of the business's own. */
@Entity
@Table(name = "business_site")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class OwnSite extends BusinessRow {
    @Id
    private String host;

    private Instant addedAt;
    private String addedBy;

    @SuppressWarnings("NullAway.Init")
    protected OwnSite() {}

    OwnSite(String host, Instant addedAt, String addedBy) {
        this.host = host;
        this.addedAt = addedAt;
        this.addedBy = addedBy;
    }

    String host() {
        return host;
    }
}
