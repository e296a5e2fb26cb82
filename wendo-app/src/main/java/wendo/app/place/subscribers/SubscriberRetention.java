package wendo.app.place.subscribers;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** Those who unsubscribed; who reads on is kept. */
@Component
class SubscriberRetention implements RetainedRecords {
    private final SubscriberRepository repository;

    SubscriberRetention(SubscriberRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.SUBSCRIBERS;
    }

    @Override
    public int count(Instant before) {
        return repository.countWithdrawn(before);
    }

    @Override
    public void forget(Instant before) {
        repository.eraseWithdrawn(before);
    }
}
