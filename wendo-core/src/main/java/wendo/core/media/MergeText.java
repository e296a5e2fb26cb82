package wendo.core.media;

import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text with fields in braces, each with what stands there if it is empty: {@code Dear {name|sailor}}. Names of fields
 * know no letter case. Ours.
 */
public record MergeText(String text) {
    private static final Pattern FIELD = Pattern.compile("\\{([^{}|\\n]{1,60})(?:\\|([^{}\\n]{0,100}))?\\}");

    /** The fields that it names, in lower case, in their order. */
    public Set<String> fields() {
        Set<String> fields = new LinkedHashSet<>();
        FIELD.matcher(text).results().forEach(found -> fields.add(key(found.group(1))));
        return fields;
    }

    /** The fields that say nothing of what stands there if they are empty, in lower case, in their order. */
    public Set<String> withoutFallback() {
        Set<String> fields = new LinkedHashSet<>();
        FIELD.matcher(text)
                .results()
                .filter(found -> found.group(2) == null)
                .forEach(found -> fields.add(key(found.group(1))));
        return fields;
    }

    /** Fills the fields; one that is not among the values stays as it is, so that it is noticed. */
    public String fill(Map<String, String> values) {
        return FIELD.matcher(text).replaceAll(found -> {
            String fallback = found.group(2) == null ? "" : found.group(2);
            String value =
                    values.getOrDefault(key(found.group(1)), found.group()).strip();
            return Matcher.quoteReplacement(value.isEmpty() ? fallback : value);
        });
    }

    /** How the name of a field, or the heading of a column, is compared. */
    public static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
