package wendo.app.place.messages;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** Who was on a list of recipients. */
@Component
class RecipientRetention implements RetainedRecords {
    private final RecipientRepository repository;

    RecipientRetention(RecipientRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.RECIPIENTS;
    }

    @Override
    public int count(Instant before) {
        return repository.countOlder(before);
    }

    @Override
    public void forget(Instant before) {
        repository.eraseOlder(before);
    }
}
