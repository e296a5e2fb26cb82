package wendo.app.credit;

import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** What outcomes of a business came with is known, and their credit is worked out. */
public record OutcomesCredited(BusinessId business, List<UUID> outcomes) {
    public OutcomesCredited {
        outcomes = List.copyOf(outcomes);
    }
}
