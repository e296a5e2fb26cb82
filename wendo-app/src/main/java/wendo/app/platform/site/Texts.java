package wendo.app.platform.site;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.context.i18n.LocaleContextHolder;
import wendo.core.text.Refused;
import wendo.core.text.Sentence;

/**
 * What people read, in the language of whoever reads. The texts stand in bundles, one for each district, in ICU's
 * message format: values in braces, plurals by the language's own rules.
 */
public final class Texts {
    /** The languages of all pages, the usual one first. */
    public static final List<Locale> OFFERED = List.of(Locale.ENGLISH, Locale.GERMAN);

    /** The languages of pages that a business's own customers see. */
    public static final List<Locale> PUBLIC = List.of(
            Locale.ENGLISH,
            Locale.GERMAN,
            Locale.FRENCH,
            Locale.forLanguageTag("es"),
            Locale.ITALIAN,
            Locale.forLanguageTag("nl"),
            Locale.forLanguageTag("pl"));

    static final List<String> BUNDLES = List.of(
            "common",
            "platform",
            "linkhost",
            "audience",
            "prepare",
            "issue",
            "place",
            "visit",
            "lead",
            "outcome",
            "credit",
            "money",
            "audience",
            "compare",
            "desk");

    /** What texts of the rules begin with, among all texts. */
    static final String CORE = "core.";

    private static final Map<Locale, Map<String, String>> READ = new ConcurrentHashMap<>();
    private static final Map<Locale, Map<String, MessageFormat>> FORMATS = new ConcurrentHashMap<>();

    /** A text with its values. */
    private record Filled(Locale language, String key, List<Object> values) {}

    /** Filling one in with a plural takes longer than all else on a page of counts, which says the same ones again. */
    private static final Cache<Filled, String> FILLED =
            Caffeine.newBuilder().maximumSize(20_000).build();

    private static volatile Supplier<Optional<Locale>> withoutReader = Optional::empty;

    private Texts() {}

    /** Says in which language a thread writes that works for no reader of a page. */
    public static void withoutReader(Supplier<Optional<Locale>> language) {
        withoutReader = language;
    }

    /** A text with its values, for whoever this thread works for. */
    public static String of(String key, Object... values) {
        return in(reader(), key, values);
    }

    /** A text that is kept for all who work for the business: in its language, whoever causes it to be written. */
    public static String kept(String key, Object... values) {
        return in(ofBusiness(), key, values);
    }

    /** The same for a reader of a given language. */
    public static String in(Locale reader, String key, Object... values) {
        return find(reader, key, values)
                .orElseThrow(() -> new MissingResourceException("There is no text for " + key, "messages", key));
    }

    /** The same in every language of all pages, for what may be typed in any of them. */
    public static Stream<String> inAll(String key) {
        return OFFERED.stream().map(language -> in(language, key));
    }

    /** What the rules say. */
    public static String of(Sentence sentence) {
        return of(CORE + sentence.key(), sentence.values().toArray());
    }

    /** What is wrong, in words for people if it was meant for them. */
    public static String said(IllegalArgumentException fault) {
        return fault instanceof Refused refused ? of(refused.sentence()) : String.valueOf(fault.getMessage());
    }

    static Optional<String> find(Locale reader, String key, Object... values) {
        return (PublicText.isOne(key) ? PublicLanguages.own(key) : Optional.<String>empty())
                .or(() -> ours(reader, key, values));
    }

    private static Optional<String> ours(Locale reader, String key, Object... values) {
        Locale language = all(language(reader)).containsKey(key) ? language(reader) : Locale.ENGLISH;
        return Optional.ofNullable(all(language).get(key)).map(text -> filled(language, key, text, values));
    }

    /** The language of whoever this thread works for. */
    public static Locale language() {
        return language(reader());
    }

    private static Locale reader() {
        return LocaleContextHolder.getLocaleContext() == null ? ofBusiness() : LocaleContextHolder.getLocale();
    }

    private static Locale ofBusiness() {
        return withoutReader.get().orElse(Locale.ENGLISH);
    }

    /** The language that a reader of this one gets. */
    public static Locale language(Locale reader) {
        return PUBLIC.stream()
                .filter(one -> one.getLanguage().equals(reader.getLanguage()))
                .findFirst()
                .orElse(Locale.ENGLISH);
    }

    private static String filled(Locale language, String key, String text, Object... values) {
        if (text.indexOf('{') < 0) {
            return text;
        }
        return FILLED.get(
                new Filled(language, key, Arrays.asList(values)),
                one -> ((MessageFormat) format(language, key, text).clone())
                        .format(values)); // it is one thread's alone
    }

    private static MessageFormat format(Locale language, String key, String text) {
        return FORMATS.computeIfAbsent(language, any -> new ConcurrentHashMap<>())
                .computeIfAbsent(key, any -> new MessageFormat(text, ULocale.forLocale(language)));
    }

    /** All texts of a language by their keys. */
    static Map<String, String> all(Locale language) {
        return READ.computeIfAbsent(language, Texts::read);
    }

    private static Map<String, String> read(Locale language) {
        Map<String, String> texts = new HashMap<>();
        ResourceBundle.Control noOther =
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES);
        List<String> bundles = OFFERED.contains(language) ? BUNDLES : List.of("public");
        for (String bundle : bundles) {
            ResourceBundle read = ResourceBundle.getBundle("messages/" + bundle, language, noOther);
            read.keySet().forEach(key -> texts.put(key, read.getString(key)));
        }
        ResourceBundle rules = ResourceBundle.getBundle(Sentence.BUNDLE, language, noOther);
        rules.keySet().forEach(key -> texts.put(CORE + key, rules.getString(key)));
        return Map.copyOf(texts);
    }
}
