package wendo.app.platform.business;

import jakarta.persistence.Column;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;

/**
 * What people of a business edit. Its business is filled in from the scope, and its version counts the changes: of two
 * who change it at once the later one is told.
 */
@MappedSuperclass
public abstract class BusinessRow {
    @TenantId
    @Column(updatable = false)
    private @Nullable UUID businessId;

    @Version
    private @Nullable Integer version; // empty until it is stored, by which a new one is known

    /** 0 until it is stored, so that of two who are the first to store it the later one is told too; then from 1 on. */
    public int version() {
        return version == null ? 0 : version + 1;
    }

    /** Refuses what was typed into a form that showed an older version. */
    public void mustStillBe(EditedVersion edited) {
        edited.mustBe(version(), getClass().getSimpleName());
    }
}
