package wendo.app.place.codes;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** The mark of a business; each has one at most. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class CodeMark extends BusinessEntity {
    private byte[] png;
    private Instant updatedAt;

    @SuppressWarnings("NullAway.Init")
    protected CodeMark() {}

    CodeMark(byte[] png, Instant now) {
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
