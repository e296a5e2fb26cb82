package wendo.app.desk.setup;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.Map;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** What a business is called and how it writes, as typed. */
record BusinessDetailsForm(
        @NotBlank(message = "platform.accounts.name-missing") @Size(max = Limits.NAME)
        String name,

        String currency,
        String zone,
        String locale) {
    static BusinessDetailsForm of(TypedFields typed, Business now) {
        return new BusinessDetailsForm(
                typed.text("name"),
                typed.text("currency", now.currency().getCode()),
                typed.text("zone", now.zone().getId()),
                typed.text("locale"));
    }

    static BusinessDetailsForm of(Business business) {
        return new BusinessDetailsForm(
                business.name(),
                business.currency().getCode(),
                business.zone().getId(),
                business.locale().toLanguageTag());
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

    BusinessDetails details() {
        return BusinessDetails.of(name, currency, zone, locale);
    }
}
