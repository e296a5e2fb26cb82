package wendo.core.links;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wendo.core.text.Refused;

/** How the endings of many links are made from what the links are: {@code {source}-{campaign}}. */
public record SlugPattern(String text) {
    public static final int MAX_LENGTH = 120;

    private static final Pattern PLACE = Pattern.compile("\\{([^{}]*)}");

    /** @param known names that may stand in braces */
    public static SlugPattern of(String text, Set<String> known) {
        String pattern = text.strip();
        if (pattern.length() > MAX_LENGTH) {
            throw new Refused("links.pattern-length", MAX_LENGTH, pattern.length());
        }
        Matcher place = PLACE.matcher(pattern);
        while (place.find()) {
            if (!known.contains(place.group(1))) {
                throw new Refused("links.pattern-part", String.join("}, {", new TreeSet<>(known)), place.group(1));
            }
        }
        if (PLACE.matcher(pattern).replaceAll("").matches(".*[{}].*")) {
            throw new Refused("links.pattern-brace", pattern);
        }
        if (!PLACE.matcher(pattern).find()) {
            throw new Refused("links.pattern-same");
        }
        return new SlugPattern(pattern);
    }

    /**
     * The ending for these values: letters that an ending cannot have become hyphens, and what is longer than an
     * ending may be is cut behind a word. The result can be shorter than an ending may be.
     */
    public String fill(Map<String, String> values) {
        String filled = PLACE.matcher(text)
                .replaceAll(place -> Matcher.quoteReplacement(values.getOrDefault(place.group(1), "")));
        String plain = Tag.isPossible(filled) ? Tag.of(filled.replace('.', '-')).value() : "";
        String slug = plain.replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        if (slug.length() <= Slug.MAX_LENGTH) {
            return slug;
        }
        int gap = slug.lastIndexOf('-', Slug.MAX_LENGTH);
        return slug.substring(0, gap >= Slug.MIN_LENGTH ? gap : Slug.MAX_LENGTH);
    }
}
