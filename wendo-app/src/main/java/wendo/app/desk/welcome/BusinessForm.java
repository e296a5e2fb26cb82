package wendo.app.desk.welcome;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Currency;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** The first business, as typed. */
record BusinessForm(
        @NotBlank(message = "platform.accounts.name-missing") @Size(max = Limits.NAME)
        String name,

        String currency,
        String zone,
        String locale) {
    static BusinessForm of(TypedFields typed) {
        return new BusinessForm(typed.text("name"), typed.text("currency"), typed.text("zone"), typed.text("locale"));
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

    Map<String, String> faults() {
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
