package wendo.app.outcome.outcomes;

import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** New outcomes of a business have been stored. */
public record OutcomesRecorded(BusinessId business, List<UUID> outcomes) {
    public OutcomesRecorded {
        outcomes = List.copyOf(outcomes);
    }
}
