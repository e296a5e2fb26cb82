package wendo.app.platform.accounts;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RecoveryCodeRepository extends Repository<RecoveryCode, UUID> {
    void save(RecoveryCode code);

    void deleteByPersonId(UUID person);

    long countByPersonIdAndUsedAtIsNull(UUID person);

    /** Of two who use one code at once, one gets 1. */
    @Modifying
    @Query(
            "update RecoveryCode c set c.usedAt = :now where c.personId = :person and c.codeHash = :hash and c.usedAt is null")
    int use(UUID person, String hash, Instant now);
}
