package wendo.app.credit;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What people were recognised by goes once nothing else has it; who they were one with stays. */
@Component
class IdentityRetention implements RetainedRecords {
    private final CreditRuleRepository repository;

    IdentityRetention(CreditRuleRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.OUTCOMES;
    }

    /** Each is counted with its outcomes. */
    @Override
    public int count(Instant before) {
        return 0;
    }

    /** Who they are is known by their outcomes, which go first. */
    @Override
    public Set<UUID> forget(Instant before) {
        return Set.of();
    }

    @Override
    public void tidyUp() {
        repository.eraseUnused();
    }
}
