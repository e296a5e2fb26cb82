package wendo.app.desk.welcome;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** That a business does not want to be shown its first steps any more. */
@Entity
@Table(name = "first_steps")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredFirstSteps extends BusinessEntity {
    private Instant dismissedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredFirstSteps() {}

    StoredFirstSteps(Instant now) {
        super(UUID.randomUUID());
        this.dismissedAt = now;
    }
}
