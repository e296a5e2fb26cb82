package wendo.app.issue.routes;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import wendo.app.platform.site.Texts;

/** Countries (ISO 3166-1) and languages (ISO 639-1) by code, and by their names in English and the business's own language. */
final class Named {
    private final String unknown;
    private final Map<String, String> codes = new HashMap<>();

    private Named(String unknown) {
        this.unknown = unknown;
    }

    static Named countries(Locale locale) {
        Named named = new Named("issue.routes.no-country");
        for (String code : Locale.getISOCountries()) {
            Locale country = new Locale("", code);
            named.add(code, code, country.getDisplayCountry(Locale.ENGLISH), country.getDisplayCountry(locale));
        }
        // What people call it, though the standard's list has another name.
        named.add("GB", "UK", "Great Britain", "Britain");
        named.add("US", "USA", "America");
        return named;
    }

    static Named languages(Locale locale) {
        Named named = new Named("issue.routes.no-language");
        for (String code : Locale.getISOLanguages()) {
            Locale language = new Locale(code);
            named.add(code, code, language.getDisplayLanguage(Locale.ENGLISH), language.getDisplayLanguage(locale));
        }
        return named;
    }

    private void add(String code, String... names) {
        for (String name : names) {
            codes.putIfAbsent(name.toLowerCase(Locale.ROOT), code);
        }
    }

    /** The codes of what is listed with commas. Throws with the word that nobody is called by. */
    Set<String> read(String typed) {
        Set<String> read = new LinkedHashSet<>();
        for (String word : typed.split("[,;]", -1)) {
            String name = word.strip();
            if (!name.isEmpty()) {
                String code = codes.get(name.toLowerCase(Locale.ROOT));
                if (code == null) {
                    throw new IllegalArgumentException(
                            Texts.of(unknown, name.length() <= 40 ? name : name.substring(0, 40) + "…"));
                }
                read.add(code);
            }
        }
        return read;
    }
}
