package wendo.app.visit.disclosure;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.FilterValues;

/** A page of the business's own that has links that earn, as it was when it was last looked at. */
@Entity
@Table(name = "disclosure_page")
class CheckedPage extends BusinessEntity {
    private String address;
    private int earning;
    private int unmarked;
    private String said;

    @SuppressWarnings("UnusedVariable") // written for the database, not read in Java
    private Instant checkedAt;

    @SuppressWarnings("NullAway.Init")
    protected CheckedPage() {}

    CheckedPage(String address, ReadPage read, Instant now) {
        super(UUID.randomUUID());
        this.address = address;
        this.earning = read.earning();
        this.unmarked = read.unmarked();
        this.said = FilterValues.key(read.said());
        this.checkedAt = now;
    }

    public String address() {
        return address;
    }

    public int earning() {
        return earning;
    }

    public int unmarked() {
        return unmarked;
    }

    public String said() {
        return said;
    }
}
