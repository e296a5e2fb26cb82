package wendo.app.platform.site;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.i18n.LocaleContextHolder;

/**
 * What people read, in the language of whoever reads. The texts stand in bundles, one for each district, in ICU's
 * message format: values in braces, plurals by the language's own rules.
 */
public final class Texts {
    /** The languages that readers are offered, the usual one first. German is not among them while texts of it are missing. */
    static final List<Locale> OFFERED = List.of(Locale.ENGLISH);

    /** The languages that have bundles. */
    static final List<Locale> TRANSLATED = List.of(Locale.ENGLISH, Locale.GERMAN);

    static final List<String> BUNDLES = List.of(
            "common",
            "platform",
            "prepare",
            "issue",
            "place",
            "visit",
            "lead",
            "outcome",
            "credit",
            "money",
            "compare",
            "desk");

    private static final Map<Locale, Map<String, String>> READ = new ConcurrentHashMap<>();
    private static final Map<Locale, Map<String, MessageFormat>> FORMATS = new ConcurrentHashMap<>();

    private Texts() {}

    /** A text with its values, for whoever this thread works for. */
    public static String of(String key, Object... values) {
        return in(LocaleContextHolder.getLocale(), key, values);
    }

    /** The same for a reader of a given language. */
    public static String in(Locale reader, String key, Object... values) {
        return find(reader, key, values)
                .orElseThrow(() -> new MissingResourceException("There is no text for " + key, "messages", key));
    }

    static Optional<String> find(Locale reader, String key, Object... values) {
        Locale language = language(reader);
        return Optional.ofNullable(all(language).get(key)).map(text -> filled(language, key, text, values));
    }

    /** The language that a reader of this one gets. */
    static Locale language(Locale reader) {
        return OFFERED.stream()
                .filter(one -> one.getLanguage().equals(reader.getLanguage()))
                .findFirst()
                .orElse(Locale.ENGLISH);
    }

    private static String filled(Locale language, String key, String text, Object... values) {
        if (text.indexOf('{') < 0) {
            return text;
        }
        MessageFormat format = FORMATS.computeIfAbsent(language, any -> new ConcurrentHashMap<>())
                .computeIfAbsent(key, any -> new MessageFormat(text, ULocale.forLocale(language)));
        return ((MessageFormat) format.clone()).format(values); // a format is no thread's but one's
    }

    /** All texts of a language by their keys. */
    static Map<String, String> all(Locale language) {
        return READ.computeIfAbsent(language, Texts::read);
    }

    private static Map<String, String> read(Locale language) {
        Map<String, String> texts = new HashMap<>();
        ResourceBundle.Control noOther =
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES);
        for (String bundle : BUNDLES) {
            ResourceBundle read = ResourceBundle.getBundle("messages/" + bundle, language, noOther);
            read.keySet().forEach(key -> texts.put(key, read.getString(key)));
        }
        return Map.copyOf(texts);
    }
}
