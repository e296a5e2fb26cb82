package wendo.app.credit;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What was answered goes from the evidence as well; the source that it led to stays. */
@Component
class AnswerClueRetention implements RetainedRecords {
    private final CreditRuleRepository repository;

    AnswerClueRetention(CreditRuleRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.ANSWERS;
    }

    /** Each is counted with its outcome. */
    @Override
    public int count(Instant before) {
        return 0;
    }

    @Override
    public Set<UUID> forget(Instant before) {
        repository.eraseAnswers(before);
        return Set.of();
    }
}
