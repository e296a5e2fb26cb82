package wendo.app.audience.mailings;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface MailingRepository extends Repository<Mailing, UUID> {
    Optional<Mailing> findById(UUID id);

    /** Of two who change how far it is the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from Mailing m where m.id = :id")
    Optional<Mailing> lock(UUID id);

    @Query("select m from Mailing m order by coalesce(m.startedAt, m.madeAt) desc, m.id")
    List<Mailing> newest();

    List<Mailing> findByAudienceIdOrderByMadeAtDesc(UUID audience);

    List<Mailing> findByState(String state);

    Mailing save(Mailing mailing);
}
