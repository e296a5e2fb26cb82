package wendo.app.visit.visits;

import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** Visits of a business have become visible; {@code clicks} are their identifiers. */
public record VisitsStored(BusinessId business, List<UUID> clicks) {
    public VisitsStored {
        clicks = List.copyOf(clicks);
    }
}
