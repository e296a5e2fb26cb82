package wendo.app.audience.addesks;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** An ad desk that takes lists, and the key that it is called with, which no page shows again. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class AdDesk extends BusinessEntity {
    private String name;
    private String address;
    private String key;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway.Init")
    protected AdDesk() {}

    AdDesk(AdDeskForm form, String by, Instant now) {
        super(UUID.randomUUID());
        this.name = form.name();
        this.address = form.address();
        this.key = form.key();
        this.madeAt = now;
        this.madeBy = by;
    }

    void remove(Instant now) {
        this.removedAt = now;
        this.key = "";
    }

    String name() {
        return name;
    }

    String address() {
        return address;
    }

    String key() {
        return key;
    }
}
