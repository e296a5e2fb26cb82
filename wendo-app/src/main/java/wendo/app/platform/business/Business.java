package wendo.app.platform.business;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;

/**
 * The account that everything belongs to.
 *
 * @param locale how it writes, and when its weeks begin (the keyword {@code fw} of BCP 47, extension U)
 * @param firstMonth when its financial year begins
 * @param siteKey public: names the business in reports of its site tag
 * @param allowsLocalDestinations whether links may lead to machines that only this network reaches
 * @param deletesAt when it will be deleted, if its owners said so
 */
public record Business(
        BusinessId id,
        String name,
        CurrencyUnit currency,
        ZoneId zone,
        Locale locale,
        Month firstMonth,
        String siteKey,
        boolean allowsLocalDestinations,
        Optional<Instant> deletesAt) {

    /** The business's own day. */
    public LocalDate today(Clock clock) {
        return LocalDate.now(clock.withZone(zone));
    }
}
