package wendo.app.desk.welcome;

import java.time.DayOfWeek;
import java.time.Month;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.Texts;

/** What a business may choose for its money, its days and its way of writing. */
public final class BusinessChoices {
    static final List<String> LOCALES = List.of(
            "en-GB", "en-US", "en-IE", "en-AU", "en-CA", "en-NZ", "de-DE", "de-AT", "de-CH", "fr-FR", "fr-BE", "fr-CH",
            "fr-CA", "es-ES", "it-IT", "it-CH", "nl-NL", "nl-BE", "pl-PL", "pt-PT", "pt-BR", "da-DK", "sv-SE", "nb-NO",
            "fi-FI", "cs-CZ", "hu-HU", "el-GR", "ro-RO", "ja-JP");

    private BusinessChoices() {}

    /** A value of a select with what it is called. */
    public record Choice(String key, String label) {}

    public static List<Choice> currencies() {
        Locale reader = Texts.language();
        return Currency.getAvailableCurrencies().stream()
                .filter(one -> one.getDefaultFractionDigits() >= 0 && BusinessDetails.isCurrency(one.getCurrencyCode()))
                .map(one ->
                        new Choice(one.getCurrencyCode(), one.getCurrencyCode() + ", " + one.getDisplayName(reader)))
                .sorted(Comparator.comparing(Choice::key))
                .toList();
    }

    public static List<Choice> zones() {
        return Stream.concat(
                        Stream.of("UTC"),
                        ZoneId.getAvailableZoneIds().stream()
                                .filter(id -> id.matches(
                                        "(Africa|America|Antarctica|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.+"))
                                .sorted())
                .map(id -> new Choice(id, id))
                .toList();
    }

    public static List<Choice> weekdays() {
        Locale reader = Texts.language();
        return Arrays.stream(DayOfWeek.values())
                .map(day -> new Choice(String.valueOf(day.getValue()), day.getDisplayName(TextStyle.FULL, reader)))
                .toList();
    }

    public static List<Choice> months() {
        Locale reader = Texts.language();
        return Arrays.stream(Month.values())
                .map(month -> new Choice(
                        String.valueOf(month.getValue()), month.getDisplayName(TextStyle.FULL_STANDALONE, reader)))
                .toList();
    }

    public static List<Choice> locales() {
        Locale reader = Texts.language();
        return LOCALES.stream()
                .map(tag -> new Choice(tag, Locale.forLanguageTag(tag).getDisplayName(reader)))
                .sorted(Comparator.comparing(Choice::label))
                .toList();
    }
}
