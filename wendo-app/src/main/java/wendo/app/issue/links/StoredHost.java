package wendo.app.issue.links;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A link host as it is kept. */
@Entity
@Table(name = "link_host")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredHost extends BusinessEntity {
    private String name;
    private String origin;
    private boolean isDefault;
    private @Nullable Instant retiredAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant checkedAt;

    @OptimisticLock(excluded = true)
    private String problem = "";

    private @Nullable UUID forwardsTo;
    private @Nullable UUID brandId;

    @SuppressWarnings("NullAway.Init")
    protected StoredHost() {}

    StoredHost(String name, String origin) {
        super(UUID.randomUUID());
        this.name = name;
        this.origin = origin;
    }

    void beAt(String newOrigin) {
        this.origin = newOrigin;
    }

    void beDefault(boolean now) {
        this.isDefault = now;
    }

    boolean isDefault() {
        return isDefault;
    }

    boolean isRetired() {
        return retiredAt != null;
    }

    void retire(Instant now) {
        this.retiredAt = now;
    }

    void useAgain() {
        this.retiredAt = null;
    }

    void found(String newProblem, Instant now) {
        this.problem = newProblem;
        this.checkedAt = now;
    }

    void forwardTo(@Nullable UUID link) {
        this.forwardsTo = link;
    }

    void belongTo(@Nullable UUID brand) {
        this.brandId = brand;
    }

    LinkHosts.LinkHost host() {
        return new LinkHosts.LinkHost(id(), origin, problem);
    }

    String name() {
        return name;
    }
}
