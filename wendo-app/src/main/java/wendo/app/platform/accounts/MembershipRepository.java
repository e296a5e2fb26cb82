package wendo.app.platform.accounts;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface MembershipRepository extends Repository<StoredMembership, UUID> {
    void save(StoredMembership membership);

    Optional<StoredMembership> findByPersonId(UUID person);

    /** Locked, so that of two owners who leave at once one stays. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from StoredMembership m where m.role = :role")
    List<StoredMembership> lockByRole(String role);

    void delete(StoredMembership membership);
}
