package wendo.app.desk.welcome;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

interface InstallationClaimRepository extends Repository<InstallationClaim, Integer> {
    Optional<InstallationClaim> findById(int id);

    /** Of two who claim at once, the second waits and finds it claimed. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<InstallationClaim> findAndLockById(int id);

    void save(InstallationClaim claim);

    void deleteById(int id);

    void flush();
}
