package wendo.app.platform.accounts;

import java.time.Clock;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.core.days.TypedDay;

/** Makes the filter that runs a signed-in person's request in their business. */
@Component
class BusinessFilters {
    private final Accounts accounts;
    private final Businesses businesses;
    private final Credentials credentials;
    private final Clock clock;

    BusinessFilters(Accounts accounts, Businesses businesses, Credentials credentials, Clock clock) {
        this.accounts = accounts;
        this.businesses = businesses;
        this.credentials = credentials;
        this.clock = clock;
    }

    BusinessFilter filter() {
        return new BusinessFilter(accounts, person -> credentials.of(person).hasSecondFactor(), this::days);
    }

    /** Reads days as the business of this thread writes them. */
    private TypedDay days() {
        Business business = businesses.current();
        return new TypedDay(business.locale(), business.today(clock));
    }
}
