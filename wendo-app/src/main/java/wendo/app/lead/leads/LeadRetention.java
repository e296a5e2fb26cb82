package wendo.app.lead.leads;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.RetainedRecords;

/** Leads are forgotten when nothing was done about them for so long; their outcomes go with them. */
@Component
class LeadRetention implements RetainedRecords {
    private final LeadRepository repository;

    LeadRetention(LeadRepository repository) {
        this.repository = repository;
    }

    @Override
    public RetainedKind kind() {
        return RetainedKind.LEADS;
    }

    @Override
    public Set<UUID> outcomes(Instant before) {
        return repository.findUntouched(before);
    }
}
