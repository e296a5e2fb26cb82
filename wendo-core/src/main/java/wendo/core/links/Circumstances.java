package wendo.core.links;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/**
 * What a link may look at when it decides where to lead.
 *
 * @param at the business's own day and time
 * @param country ISO 3166-1 alpha-2 in capitals, or empty if unknown
 * @param language the primary subtag (BCP 47) of the language the browser asks for first, or empty
 */
public record Circumstances(LocalDateTime at, String country, Device device, String language, UUID visitor, UUID link) {
    private static final int MAX_HEADER = 500;

    /** The language that an Accept-Language header (RFC 9110, section 12.5.4) asks for first; empty if none. */
    public static String languageOf(String acceptLanguage) {
        if (acceptLanguage.isBlank() || acceptLanguage.length() > MAX_HEADER) {
            return "";
        }
        try {
            List<Locale.LanguageRange> ranges = Locale.LanguageRange.parse(acceptLanguage);
            return ranges.stream()
                    .filter(range -> range.getWeight() > 0 && !range.getRange().startsWith("*"))
                    .findFirst()
                    .map(range -> range.getRange().replaceFirst("-.*$", ""))
                    .orElse("");
        } catch (IllegalArgumentException e) {
            return "";
        }
    }
}
