package wendo.app.outcome.outcomes;

import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** Later news has changed outcomes of a business. */
public record OutcomesChanged(BusinessId business, List<UUID> outcomes) {
    public OutcomesChanged {
        outcomes = List.copyOf(outcomes);
    }
}
