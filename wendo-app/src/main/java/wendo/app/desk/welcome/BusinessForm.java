package wendo.app.desk.welcome;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Month;
import java.time.temporal.WeekFields;
import java.util.Currency;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/**
 * What a business is called, and how it counts and writes, as typed.
 *
 * @param weekday the day that its weeks begin with, 1 for Monday to 7; empty text for what is usual
 * @param firstMonth the month that its financial year begins with, 1 to 12
 */
public record BusinessForm(
        @NotBlank(message = "platform.accounts.name-missing") @Size(max = Limits.NAME)
        String name,

        String currency,
        String zone,
        String locale,
        String weekday,
        String firstMonth) {
    private static final String JANUARY = "1";

    BusinessForm(String name, String currency, String zone, String locale) {
        this(name, currency, zone, locale, "", JANUARY);
    }

    public static BusinessForm of(TypedFields typed) {
        return new BusinessForm(typed.text("name"), typed.text("currency"), typed.text("zone"), typed.text("locale"));
    }

    /** As it is stored. */
    public static BusinessForm of(Business business) {
        String week = Optional.ofNullable(business.locale().getUnicodeLocaleType("fw"))
                .map(day -> String.valueOf(
                        WeekFields.of(business.locale()).getFirstDayOfWeek().getValue()))
                .orElse("");
        return new BusinessForm(
                business.name(),
                business.currency().getCode(),
                business.zone().getId(),
                business.locale().stripExtensions().toLanguageTag(),
                week,
                String.valueOf(business.firstMonth().getValue()));
    }

    /** What was not sent, because it cannot change, is as it is stored. */
    public static BusinessForm of(TypedFields typed, Business business) {
        BusinessForm stored = of(business);
        return new BusinessForm(
                typed.text("name"),
                typed.text("currency", stored.currency()),
                typed.text("zone", stored.zone()),
                typed.text("locale"),
                typed.text("weekday", stored.weekday()),
                typed.text("firstMonth", stored.firstMonth()));
    }

    public BusinessDetails details() {
        return BusinessDetails.of(name, currency, zone, locale)
                .withCalendar(
                        Optional.of(weekday)
                                .filter(day -> !day.isEmpty())
                                .map(day -> DayOfWeek.of(Integer.parseInt(day))),
                        Month.of(Integer.parseInt(firstMonth)));
    }

    /** What somebody with such a browser most likely wants. */
    static BusinessForm suggested(Locale browser) {
        String tag = BusinessChoices.LOCALES.stream()
                .filter(one -> one.equals(browser.toLanguageTag()))
                .findFirst()
                .or(() -> BusinessChoices.LOCALES.stream()
                        .filter(one -> Locale.forLanguageTag(one).getLanguage().equals(browser.getLanguage()))
                        .findFirst())
                .orElse(BusinessChoices.LOCALES.get(0));
        return new BusinessForm(
                "", Currency.getInstance(Locale.forLanguageTag(tag)).getCurrencyCode(), "", tag);
    }

    BusinessForm withName(String other) {
        return new BusinessForm(other, currency, zone, locale, weekday, firstMonth);
    }

    public Map<String, String> faults() {
        Map<String, String> faults = new HashMap<>(FormRules.faults(this));
        if (!BusinessDetails.isCurrency(currency)) {
            faults.put("currency", Texts.of("desk.welcome.no-currency"));
        }
        if (!BusinessDetails.isZone(zone)) {
            faults.put("zone", Texts.of("desk.welcome.no-zone"));
        }
        if (!BusinessDetails.isLocale(locale)) {
            faults.put("locale", Texts.of("desk.welcome.no-locale"));
        }
        if (!weekday.matches("[1-7]?")) {
            faults.put("weekday", Texts.of("desk.welcome.no-weekday"));
        }
        if (!firstMonth.matches("[1-9]|1[0-2]")) {
            faults.put("firstMonth", Texts.of("desk.welcome.no-month"));
        }
        return faults;
    }
}
