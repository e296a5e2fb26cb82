package wendo.app.platform.appearance;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** The logo of a business; each has one at most. */
@Entity
@Table(name = "logo")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredLogo extends BusinessEntity {
    private byte[] png;
    private Instant updatedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredLogo() {}

    StoredLogo(byte[] png, Instant now) {
        super(UUID.randomUUID());
        become(png, now);
    }

    final void become(byte[] newPng, Instant now) {
        this.png = newPng.clone();
        this.updatedAt = now;
    }

    byte[] png() {
        return png.clone();
    }
}
