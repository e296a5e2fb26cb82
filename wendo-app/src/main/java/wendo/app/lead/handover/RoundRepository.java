package wendo.app.lead.handover;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RoundRepository extends Repository<Round, UUID> {
    @EntityGraph(attributePaths = "turns")
    List<Round> findAllByOrderByName();

    /** Of two who ask at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select round from Round round where round.id = :id")
    Optional<Round> lock(UUID id);

    void save(Round round);
}
