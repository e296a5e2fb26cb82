package wendo.app.platform.business;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import org.joda.money.CurrencyUnit;

/**
 * The account that everything belongs to.
 *
 * @param siteKey public: names the business in reports of its site tag
 * @param allowsLocalDestinations whether links may lead to machines that only this network reaches
 */
public record Business(
        BusinessId id,
        String name,
        CurrencyUnit currency,
        ZoneId zone,
        Locale locale,
        String siteKey,
        boolean allowsLocalDestinations) {

    /** The business's own day. */
    public LocalDate today(Clock clock) {
        return LocalDate.now(clock.withZone(zone));
    }
}
