package wendo.app.credit;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What was answered goes from the evidence as well, counted with its outcome; the source that it led to stays. */
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

    @Override
    public void forget(Instant before) {
        repository.eraseAnswers(before);
    }
}
