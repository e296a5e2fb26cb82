package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.Digest;

/** A key of a business's own program; of its text only a digest is kept. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ApiKey extends BusinessEntity {
    private String name;
    private String shownStart;
    private String secretHash;
    private Instant createdAt;
    private String scope;
    private @Nullable Instant revokedAt;
    private @Nullable Instant lastUsedAt;
    private @Nullable UUID createdBy;

    @SuppressWarnings("NullAway.Init")
    protected ApiKey() {}

    ApiKey(String name, String key, Instant createdAt, KeyScope scope, Optional<UUID> by) {
        super(UUID.randomUUID());
        this.name = name;
        this.shownStart = key.substring(0, 10);
        this.secretHash = Digest.of(key);
        this.createdAt = createdAt;
        this.scope = scope.key();
        this.createdBy = by.orElse(null);
    }

    boolean isRevoked() {
        return revokedAt != null;
    }

    void revoke(Instant now) {
        this.revokedAt = now;
    }

    void used(Instant now) {
        this.lastUsedAt = now;
    }

    ApiKeys.Shown shown() {
        return new ApiKeys.Shown(
                id(), name, shownStart, createdAt, KeyScope.find(scope).orElseThrow(), Optional.ofNullable(lastUsedAt));
    }
}
