package wendo.app.platform.consent;

import java.util.Set;
import wendo.app.platform.business.BusinessId;

/** Somebody withdrew their consent for these purposes. */
public record ConsentWithdrawn(BusinessId business, String contact, Set<ConsentPurpose> purposes) {
    public ConsentWithdrawn {
        purposes = Set.copyOf(purposes);
    }
}
