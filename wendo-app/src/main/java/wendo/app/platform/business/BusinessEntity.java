package wendo.app.platform.business;

import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import java.util.UUID;

/** What people of a business edit and know by an identifier, which is made here. */
@MappedSuperclass
public abstract class BusinessEntity extends BusinessRow {
    @Id
    private UUID id;

    /** For Hibernate. */
    @SuppressWarnings("NullAway.Init")
    protected BusinessEntity() {}

    protected BusinessEntity(UUID id) {
        this.id = id;
    }

    public UUID id() {
        return id;
    }
}
