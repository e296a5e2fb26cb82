package wendo.app.outcome.outcomes;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OutcomeRepository extends Repository<Outcome, UUID> {
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from Outcome o where o.id = :id")
    Optional<Outcome> lock(UUID id);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from Outcome o where o.kind = :kind and o.referenceKey = :key")
    Optional<Outcome> lock(String kind, String key);

    @Query(nativeQuery = true, value = "select * from outcome where kind = :kind and reference_key = any(:keys)")
    List<Outcome> findAll(String kind, String[] keys); // thousands of them, from a file

    @Query("select o.id from Outcome o where o.visitor in :visitors")
    List<UUID> ofVisitors(Collection<UUID> visitors);

    void delete(Outcome outcome);
}
