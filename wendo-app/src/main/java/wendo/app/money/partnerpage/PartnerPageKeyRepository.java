package wendo.app.money.partnerpage;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerPageKeyRepository extends Repository<PartnerPageKey, UUID> {
    PartnerPageKey save(PartnerPageKey key);

    /** Held, so that two who try at once do not try more often than they may. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<PartnerPageKey> findFirstByPartnerIdAndKeyDigestIsNullOrderByExpiresAtDesc(UUID partner);

    boolean existsByPartnerIdAndKeyDigestAndExpiresAtAfter(UUID partner, String digest, Instant now);

    @Modifying
    @Query("delete PartnerPageKey k where k.partnerId = ?1 and (k.expiresAt < ?2 or k.keyDigest is null)")
    void forgetOld(UUID partner, Instant now);
}
