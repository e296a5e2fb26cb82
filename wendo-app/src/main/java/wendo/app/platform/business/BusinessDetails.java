package wendo.app.platform.business;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Month;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;

/**
 * What a business is called, and how it counts money and days and writes them.
 *
 * @param firstWeekday the day that its weeks begin with; empty for what is usual where it is
 * @param firstMonth the month that its financial year begins with
 */
public record BusinessDetails(
        String name,
        CurrencyUnit currency,
        ZoneId zone,
        Locale locale,
        Optional<DayOfWeek> firstWeekday,
        Month firstMonth) {
    private static final int SHORT = 3;

    public static BusinessDetails of(String name, String currency, String zone, String locale) {
        return new BusinessDetails(
                name,
                CurrencyUnit.of(currency),
                ZoneId.of(zone),
                Locale.forLanguageTag(locale),
                Optional.empty(),
                Month.JANUARY);
    }

    public BusinessDetails withCalendar(Optional<DayOfWeek> weekday, Month month) {
        return new BusinessDetails(name, currency, zone, locale, weekday, month);
    }

    BusinessDetails withCurrency(CurrencyUnit other) {
        return new BusinessDetails(name, other, zone, locale, firstWeekday, firstMonth);
    }

    /** The language and country with the first day of the week, as BCP 47 has it (extension U, {@code fw}). */
    Locale localeWithWeek() {
        return firstWeekday
                .map(day -> new Locale.Builder()
                        .setLocale(locale)
                        .setUnicodeLocaleKeyword(
                                "fw", day.name().substring(0, SHORT).toLowerCase(Locale.ROOT))
                        .build())
                .orElse(locale);
    }

    /** Whether it is a currency of ISO 4217, written as there. */
    public static boolean isCurrency(String code) {
        try {
            return CurrencyUnit.of(code).getCode().equals(code);
        } catch (IllegalCurrencyException e) {
            return false;
        }
    }

    /** Whether it is a time zone of the IANA database. */
    public static boolean isZone(String id) {
        try {
            return !id.isEmpty() && ZoneId.of(id).getId().equals(id);
        } catch (DateTimeException e) {
            return false;
        }
    }

    /** Whether it is a language with a country, as BCP 47 writes them. */
    public static boolean isLocale(String tag) {
        Locale locale = Locale.forLanguageTag(tag);
        return !locale.getCountry().isEmpty() && locale.toLanguageTag().equals(tag);
    }
}
