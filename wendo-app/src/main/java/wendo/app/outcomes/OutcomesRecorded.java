package wendo.app.outcomes;

import java.util.List;
import java.util.UUID;
import wendo.app.business.BusinessId;

/** New outcomes of a business have been stored. */
public record OutcomesRecorded(BusinessId business, List<UUID> outcomes) {
    public OutcomesRecorded {
        outcomes = List.copyOf(outcomes);
    }
}
