package wendo.app.platform.accounts;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

interface AccountTokenRepository extends Repository<AccountToken, UUID> {
    void save(AccountToken token);

    Optional<AccountToken> findByTokenHash(String hash);

    /** Of two who use one at once, the second waits and finds it used. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<AccountToken> findAndLockByTokenHash(String hash);

    /** What was mailed before does nothing any more. */
    void deleteByPersonIdAndPurpose(UUID person, String purpose);
}
