package wendo.app.outcome.outcomes;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface OutcomeChangeRepository extends Repository<OutcomeChange, UUID> {
    void save(OutcomeChange change);

    Optional<OutcomeChange> findFirstByOutcomeIdOrderByChangedAtDesc(UUID outcome);
}
