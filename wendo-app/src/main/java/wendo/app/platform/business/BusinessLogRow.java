package wendo.app.platform.business;

import jakarta.persistence.Column;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** An entry of one of a business's logs: it is added and never changes, so it needs no version. */
@MappedSuperclass
public abstract class BusinessLogRow implements Persistable<UUID> {
    @Id
    private UUID id;

    @TenantId
    @Column(updatable = false)
    private @Nullable UUID businessId;

    /** For Hibernate. */
    @SuppressWarnings("NullAway.Init")
    protected BusinessLogRow() {}

    protected BusinessLogRow(UUID id) {
        this.id = id;
    }

    @Override
    public UUID getId() {
        return id;
    }

    /** Rows are only ever added. */
    @Override
    public boolean isNew() {
        return true;
    }
}
