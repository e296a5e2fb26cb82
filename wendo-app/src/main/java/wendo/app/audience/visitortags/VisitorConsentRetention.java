package wendo.app.audience.visitortags;

import java.time.Instant;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** What visitors answered. */
@Component
class VisitorConsentRetention implements RetainedRecords {
    private final VisitorConsentRepository repository;

    VisitorConsentRetention(VisitorConsentRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.VISITOR_CONSENTS;
    }

    @Override
    public int count(Instant before) {
        return repository.countBefore(before);
    }

    @Override
    public void forget(Instant before) {
        repository.eraseBefore(before);
    }
}
