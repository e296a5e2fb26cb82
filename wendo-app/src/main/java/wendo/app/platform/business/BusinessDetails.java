package wendo.app.platform.business;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;

/** What a business is called, and how it counts money and days and writes them. */
public record BusinessDetails(String name, CurrencyUnit currency, ZoneId zone, Locale locale) {
    public static BusinessDetails of(String name, String currency, String zone, String locale) {
        return new BusinessDetails(name, CurrencyUnit.of(currency), ZoneId.of(zone), Locale.forLanguageTag(locale));
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
