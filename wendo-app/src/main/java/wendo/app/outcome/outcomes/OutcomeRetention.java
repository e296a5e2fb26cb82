package wendo.app.outcome.outcomes;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** Who booked and bought is forgotten; that they did stays. */
@Component
class OutcomeRetention implements RetainedRecords {
    private final OutcomeRepository repository;

    OutcomeRetention(OutcomeRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.OUTCOMES;
    }

    @Override
    public Set<UUID> outcomes(Instant before) {
        return repository.findNamed(before);
    }
}
