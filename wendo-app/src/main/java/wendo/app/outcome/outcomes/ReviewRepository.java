package wendo.app.outcome.outcomes;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ReviewRepository extends Repository<StoredReview, UUID> {
    long countByState(String state);

    List<StoredReview> findByStateOrderByReceivedAtDescIdAsc(String state, Limit most);

    /** Of two who decide it at once, the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select review from StoredReview review where review.id = :id")
    Optional<StoredReview> lock(UUID id);
}
