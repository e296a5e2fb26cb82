package wendo.app.platform.sending;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What people answered to messages. */
@Component
class ReplyRetention implements RetainedRecords {
    private final OutgoingRepository repository;

    ReplyRetention(OutgoingRepository repository) {
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
