package wendo.app.platform.sending;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What was sent to whom; that it was sent stays. */
@Component
class MessageRetention implements RetainedRecords {
    private final OutgoingRepository repository;

    MessageRetention(OutgoingRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.MESSAGES;
    }

    @Override
    public int count(Instant before) {
        return repository.countSent(before);
    }

    @Override
    public void forget(Instant before) {
        repository.eraseSent(before);
    }
}
