package wendo.app.platform.people;

import jakarta.persistence.Entity;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessEntity;

/** That somebody may join the business, by an address that only they get. */
@Entity
class Invitation extends BusinessEntity {
    static final Duration KEPT = Duration.ofDays(7);

    private String email;
    private String role;
    private String tokenHash;
    private String invitedBy;
    private Instant invitedAt;
    private Instant expiresAt;
    private @Nullable Instant acceptedAt;
    private @Nullable Instant revokedAt;

    @SuppressWarnings("NullAway.Init")
    protected Invitation() {}

    @SuppressWarnings("NullAway.Init")
    Invitation(String email, Role role) {
        super(UUID.randomUUID());
        this.email = email;
        this.role = role.key();
    }

    /** Good by this address alone from now on. */
    void send(String hash, String by, Instant now) {
        this.tokenHash = hash;
        this.invitedBy = by;
        this.invitedAt = now;
        this.expiresAt = now.plus(KEPT);
    }

    boolean isOpen() {
        return acceptedAt == null && revokedAt == null;
    }

    boolean isGood(Instant now) {
        return isOpen() && now.isBefore(expiresAt);
    }

    void accept(Instant now) {
        this.acceptedAt = now;
    }

    void revoke(Instant now) {
        this.revokedAt = now;
    }

    Invitations.Shown shown(Instant now) {
        return new Invitations.Shown(
                id(),
                email,
                Role.of(role),
                invitedBy,
                invitedAt,
                Optional.of(expiresAt).filter(now::isBefore));
    }
}
