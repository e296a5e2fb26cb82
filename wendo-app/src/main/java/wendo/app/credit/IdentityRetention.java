package wendo.app.credit;

import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What people were recognised by goes with their outcomes, once nothing else has it; who they were one with stays. */
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

    @Override
    public void tidyUp() {
        repository.eraseUnused();
    }
}
