package wendo.app;

import java.time.Month;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;

/** An invented business of tests that need no database. */
public final class TealTours {
    public static final Business BUSINESS = of(new BusinessId(new UUID(1, 1)), "Teal Tours", "site-key");

    private TealTours() {}

    public static Business of(BusinessId id, String name, String siteKey) {
        return new Business(
                id,
                name,
                CurrencyUnit.GBP,
                ZoneId.of("Europe/London"),
                Locale.UK,
                Month.JANUARY,
                siteKey,
                false,
                Optional.empty());
    }
}
