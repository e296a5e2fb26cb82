package wendo.app.desk.welcome;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Currency;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** What a business is called, and how it counts and writes, as typed. */
public record BusinessForm(
        @NotBlank(message = "platform.accounts.name-missing") @Size(max = Limits.NAME)
        String name,

        String currency,
        String zone,
        String locale) {
    public static BusinessForm of(TypedFields typed) {
        return new BusinessForm(typed.text("name"), typed.text("currency"), typed.text("zone"), typed.text("locale"));
    }

    /** As it is stored. */
    public static BusinessForm of(Business business) {
        return new BusinessForm(
                business.name(),
                business.currency().getCode(),
                business.zone().getId(),
                business.locale().toLanguageTag());
    }

    /** What was not sent, because it cannot change, is as it is stored. */
    public static BusinessForm of(TypedFields typed, Business business) {
        BusinessForm stored = of(business);
        return new BusinessForm(
                typed.text("name"),
                typed.text("currency", stored.currency()),
                typed.text("zone", stored.zone()),
                typed.text("locale"));
    }

    public BusinessDetails details() {
        return BusinessDetails.of(name, currency, zone, locale);
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
        return new BusinessForm(other, currency, zone, locale);
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
        return faults;
    }
}
