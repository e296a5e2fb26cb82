package wendo.core.links;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * One value of a {@code utm_*} field in its normal form: trimmed, lower case, accents folded, white space as one
 * hyphen. Whatever reads these values compares them letter by letter, so one spelling is kept. Common practice.
 */
public record Tag(String value) {
    /** Long enough for any name on screen; longer values are cut by common analytics tools. */
    public static final int MAX_LENGTH = 100;

    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern GAPS = Pattern.compile("[\\s\\p{Z}_]+");
    private static final Pattern OTHER = Pattern.compile("[^\\p{L}\\p{N}.-]+");
    private static final Pattern HYPHENS = Pattern.compile("-{2,}");

    public Tag {
        if (value.isEmpty() || value.length() > MAX_LENGTH || !value.equals(normalise(value))) {
            throw new IllegalArgumentException("Tag must be in its normal form and 1 to %d characters, but was \"%s\""
                    .formatted(MAX_LENGTH, value));
        }
    }

    /** The normal form of a free spelling: {@code Tag.of(" Spring Mailer").value()} is {@code spring-mailer}. */
    public static Tag of(String text) {
        String normal = normalise(text);
        if (normal.isEmpty()) {
            throw new IllegalArgumentException("Tag needs a letter or a digit, but was \"%s\"".formatted(text));
        }
        return new Tag(normal);
    }

    /** Whether anything would be left of this spelling. */
    public static boolean isPossible(String text) {
        return !normalise(text).isEmpty();
    }

    private static String normalise(String text) {
        String folded = MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD))
                .replaceAll("")
                .replace('ł', 'l')
                .replace('Ł', 'l')
                .replace("ß", "ss")
                .replace("ø", "o")
                .replace("Ø", "o");
        String spaced = GAPS.matcher(folded.strip().toLowerCase(Locale.ROOT)).replaceAll("-");
        String plain = HYPHENS.matcher(OTHER.matcher(spaced).replaceAll("-")).replaceAll("-");
        String bare = stripHyphens(plain);
        return bare.length() <= MAX_LENGTH ? bare : stripHyphens(bare.substring(0, MAX_LENGTH));
    }

    private static String stripHyphens(String text) {
        int from = text.startsWith("-") ? 1 : 0;
        int to = text.length() > from && text.endsWith("-") ? text.length() - 1 : text.length();
        return text.substring(from, to);
    }

    @Override
    public String toString() {
        return value;
    }
}
