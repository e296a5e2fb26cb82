package wendo.app.desk.welcome;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
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
    private static final List<String> LOCALES = List.of(
            "en-GB", "en-US", "en-IE", "en-AU", "en-CA", "en-NZ", "de-DE", "de-AT", "de-CH", "fr-FR", "fr-BE", "fr-CH",
            "fr-CA", "es-ES", "it-IT", "it-CH", "nl-NL", "nl-BE", "pl-PL", "pt-PT", "pt-BR", "da-DK", "sv-SE", "nb-NO",
            "fi-FI", "cs-CZ", "hu-HU", "el-GR", "ro-RO", "ja-JP");

    static BusinessForm of(TypedFields typed) {
        return new BusinessForm(typed.text("name"), typed.text("currency"), typed.text("zone"), typed.text("locale"));
    }

    /** What somebody with such a browser most likely wants. */
    static BusinessForm suggested(Locale browser) {
        String tag = LOCALES.stream()
                .filter(one -> one.equals(browser.toLanguageTag()))
                .findFirst()
                .or(() -> LOCALES.stream()
                        .filter(one -> Locale.forLanguageTag(one).getLanguage().equals(browser.getLanguage()))
                        .findFirst())
                .orElse(LOCALES.get(0));
        return new BusinessForm(
                "", Currency.getInstance(Locale.forLanguageTag(tag)).getCurrencyCode(), "", tag);
    }

    Map<String, String> faults() {
        Map<String, String> faults = new HashMap<>(FormRules.faults(this));
        if (!isCurrency(currency)) {
            faults.put("currency", Texts.of("desk.welcome.no-currency"));
        }
        if (!isZone(zone)) {
            faults.put("zone", Texts.of("desk.welcome.no-zone"));
        }
        if (!isLocale(locale)) {
            faults.put("locale", Texts.of("desk.welcome.no-locale"));
        }
        return faults;
    }

    static boolean isCurrency(String code) {
        try {
            return CurrencyUnit.of(code).getCode().equals(code);
        } catch (IllegalCurrencyException e) {
            return false;
        }
    }

    static boolean isZone(String id) {
        try {
            return !id.isEmpty() && ZoneId.of(id).getId().equals(id);
        } catch (DateTimeException e) {
            return false;
        }
    }

    static boolean isLocale(String tag) {
        Locale locale = Locale.forLanguageTag(tag);
        return !locale.getCountry().isEmpty() && locale.toLanguageTag().equals(tag);
    }

    /** A value of a select with what it is called. */
    record Choice(String key, String label) {}

    static List<Choice> currencies() {
        Locale reader = Texts.language();
        return Currency.getAvailableCurrencies().stream()
                .filter(one -> one.getDefaultFractionDigits() >= 0 && isCurrency(one.getCurrencyCode()))
                .map(one ->
                        new Choice(one.getCurrencyCode(), one.getCurrencyCode() + ", " + one.getDisplayName(reader)))
                .sorted(Comparator.comparing(Choice::key))
                .toList();
    }

    static List<Choice> zones() {
        return Stream.concat(
                        Stream.of("UTC"),
                        ZoneId.getAvailableZoneIds().stream()
                                .filter(id -> id.matches(
                                        "(Africa|America|Antarctica|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.+"))
                                .sorted())
                .map(id -> new Choice(id, id.replace('_', ' ')))
                .toList();
    }

    static List<Choice> locales() {
        Locale reader = Texts.language();
        return LOCALES.stream()
                .map(tag -> new Choice(tag, Locale.forLanguageTag(tag).getDisplayName(reader)))
                .sorted(Comparator.comparing(Choice::label))
                .toList();
    }
}
