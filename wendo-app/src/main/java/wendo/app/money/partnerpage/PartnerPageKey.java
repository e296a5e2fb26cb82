package wendo.app.money.partnerpage;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.Digest;

/** A code that went out by mail, and the key that whoever gave it back has in the browser since. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerPageKey extends BusinessEntity {
    private static final int MOST_TRIES = 5;

    private UUID partnerId;
    private String codeDigest;
    private int tries;
    private @Nullable String keyDigest;
    private Instant expiresAt;

    @SuppressWarnings("NullAway.Init")
    protected PartnerPageKey() {}

    PartnerPageKey(UUID partner, String code, Instant expiresAt) {
        super(UUID.randomUUID());
        this.partnerId = partner;
        this.codeDigest = digest(code);
        this.expiresAt = expiresAt;
    }

    /** With the identifier, so that the same six digits have another digest each time. */
    private String digest(String code) {
        return Digest.of(id() + " " + code);
    }

    /** Whether this is the code that went out. Every try counts, and a code opens once. */
    boolean takes(String code, Instant now) {
        tries++;
        return keyDigest == null
                && tries <= MOST_TRIES
                && now.isBefore(expiresAt)
                && digest(code).equals(codeDigest);
    }

    void openedWith(String key, Instant until) {
        this.keyDigest = Digest.of(key);
        this.expiresAt = until;
    }
}
