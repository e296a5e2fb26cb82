package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What somebody types when their authenticator is lost. Only its digest is kept, and it is taken once. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class RecoveryCode {
    @Id
    private UUID id;

    private UUID personId;
    private String codeHash;
    private @Nullable Instant usedAt;

    @SuppressWarnings("NullAway.Init")
    protected RecoveryCode() {}

    RecoveryCode(UUID person, String codeHash) {
        this.id = UUID.randomUUID();
        this.personId = person;
        this.codeHash = codeHash;
    }
}
