package wendo.core.links;

import java.util.Locale;
import java.util.regex.Pattern;
import wendo.core.text.Refused;

/** The part of a link after the host: letters, digits and hyphens, 2 to 50, lower case in its normal form. */
public record Slug(String value) {
    public static final int MIN_LENGTH = 2;
    public static final int MAX_LENGTH = 50;

    private static final Pattern FORM = Pattern.compile("[a-z0-9](?:[a-z0-9-]*[a-z0-9])?");

    public Slug {
        if (value.length() < MIN_LENGTH || value.length() > MAX_LENGTH) {
            throw new Refused("links.ending-length", MIN_LENGTH, MAX_LENGTH, shortened(value), value.length());
        }
        if (!FORM.matcher(value).matches()) {
            throw new Refused("links.ending-characters", shortened(value));
        }
    }

    /** {@code Slug.of(" AB12 ")} equals {@code Slug.of("ab12")}. */
    public static Slug of(String text) {
        return new Slug(text.strip().toLowerCase(Locale.ROOT));
    }

    private static String shortened(String value) {
        return value.length() <= MAX_LENGTH ? value : value.substring(0, MAX_LENGTH) + "…";
    }

    /**
     * What a reader may take it for: look-alikes of Crockford's base 32 (o and 0; i, l and 1), and pairs that print
     * alike (5 and s, 8 and b, 2 and z), folded together, hyphens left out. Two slugs with one skeleton are confusable.
     */
    public String skeleton() {
        StringBuilder folded = new StringBuilder(value.length());
        for (char c : value.toCharArray()) {
            switch (c) {
                case 'o' -> folded.append('0');
                case 'i', 'l' -> folded.append('1');
                case 's' -> folded.append('5');
                case 'b' -> folded.append('8');
                case 'z' -> folded.append('2');
                case '-' -> {}
                default -> folded.append(c);
            }
        }
        return folded.toString();
    }

    @Override
    public String toString() {
        return value;
    }
}
