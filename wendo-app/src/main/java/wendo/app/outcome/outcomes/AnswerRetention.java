package wendo.app.outcome.outcomes;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What people answered when they were asked where they had heard of the business. */
@Component
class AnswerRetention implements RetainedRecords {
    private final OutcomeRepository repository;

    AnswerRetention(OutcomeRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.ANSWERS;
    }

    @Override
    public int count(Instant before) {
        return repository.countAnswers(before);
    }

    @Override
    public void forget(Instant before) {
        repository.eraseAnswers(before);
    }
}
