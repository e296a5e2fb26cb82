package wendo.app.platform.people;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

interface InvitationRepository extends Repository<Invitation, UUID> {
    void save(Invitation invitation);

    Optional<Invitation> findById(UUID id);

    /** Of two who accept one at once, the second waits and finds it accepted. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<Invitation> findAndLockByTokenHash(String hash);

    Optional<Invitation> findByTokenHash(String hash);

    List<Invitation> findByAcceptedAtIsNullAndRevokedAtIsNullOrderByInvitedAtDesc();
}
