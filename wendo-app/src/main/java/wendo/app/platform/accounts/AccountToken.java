package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** An address that is mailed to somebody and does one thing once. Of its secret part only the digest is kept. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class AccountToken {
    /** What it is for. */
    enum Purpose {
        PASSWORD,
        EMAIL;

        String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    @Id
    private UUID id;

    private String tokenHash;
    private UUID personId;
    private String purpose;
    private String email;
    private Instant expiresAt;
    private @Nullable Instant usedAt;

    @SuppressWarnings("NullAway.Init")
    protected AccountToken() {}

    AccountToken(UUID person, Purpose purpose, String email, String tokenHash, Instant expiresAt) {
        this.id = UUID.randomUUID();
        this.personId = person;
        this.purpose = purpose.key();
        this.email = email;
        this.tokenHash = tokenHash;
        this.expiresAt = expiresAt;
    }

    UUID personId() {
        return personId;
    }

    String email() {
        return email;
    }

    boolean isGood(Purpose wanted, Instant now) {
        return purpose.equals(wanted.key()) && usedAt == null && now.isBefore(expiresAt);
    }

    void use(Instant now) {
        this.usedAt = now;
    }
}
