package wendo.app.compare.crosscheck;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/**
 * A view of a cross-check that both sides can open, and the number that each of them says yes to. It has the identifier of
 * its cross-check; it is settled while both say the same.
 */
@Entity
class CountAgreement extends BusinessEntity {
    private @Nullable String token;
    private @Nullable Long oursNumber;
    private String oursBy = "";
    private @Nullable Instant oursAt;
    private @Nullable Long theirsNumber;
    private String theirsBy = "";
    private @Nullable Instant theirsAt;

    @SuppressWarnings("NullAway.Init")
    protected CountAgreement() {}

    CountAgreement(UUID check) {
        super(check);
    }

    /** @param address none closes it */
    void open(Optional<String> address) {
        this.token = address.orElse(null);
    }

    Optional<String> token() {
        return Optional.ofNullable(token);
    }

    void sayOurs(long number, String by, Instant now) {
        this.oursNumber = number;
        this.oursBy = by;
        this.oursAt = now;
    }

    void sayTheirs(long number, String by, Instant now) {
        this.theirsNumber = number;
        this.theirsBy = by;
        this.theirsAt = now;
    }

    Settlement settlement() {
        return new Settlement(said(oursNumber, oursBy, oursAt), said(theirsNumber, theirsBy, theirsAt));
    }

    private static Optional<Settlement.Said> said(@Nullable Long number, String by, @Nullable Instant at) {
        return number == null || at == null ? Optional.empty() : Optional.of(new Settlement.Said(number, by, at));
    }
}
