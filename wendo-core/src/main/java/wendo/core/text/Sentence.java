package wendo.core.text;

import java.text.MessageFormat;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;

/**
 * A sentence for people. The words stand in the bundles {@code sentences.properties} beside this class; numbers come as
 * digits, without the separators of a language.
 *
 * @param key its name in the bundles, without their common beginning
 * @param values what stands in its places, in their order
 */
public record Sentence(String key, List<String> values) {
    /** Where the bundles are, as {@link ResourceBundle} names them. */
    public static final String BUNDLE = "wendo/core/text/sentences";

    private static final ResourceBundle ENGLISH = ResourceBundle.getBundle(BUNDLE, Locale.ROOT);

    public Sentence {
        values = List.copyOf(values);
        ENGLISH.getString(key); // a key without words is a caller's bug
    }

    public static Sentence of(String key, Object... values) {
        return new Sentence(key, Arrays.stream(values).map(String::valueOf).toList());
    }

    /** What somebody else has put into words already. */
    public static Sentence said(String words) {
        return of("said", words);
    }

    /** In English, for logs and programs. */
    public String english() {
        return new MessageFormat(ENGLISH.getString(key), Locale.ROOT).format(values.toArray());
    }
}
