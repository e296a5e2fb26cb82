package wendo.app.platform.appearance;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A colour of the screen (sRGB), and whether light or dark letters are read on it.
 *
 * @param rgb red, green and blue, a byte each, 0 to 0xFFFFFF
 */
record Colour(int rgb) {
    static final Colour LIGHT = new Colour(0xFFFFFF);
    static final Colour DARK = new Colour(0x000000);

    private static final Pattern WRITTEN = Pattern.compile("#?([0-9a-f]{6}|[0-9a-f]{3})");

    /** As it is written in style sheets: six digits or three, with or without the sign before them. */
    static Optional<Colour> find(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        if (!WRITTEN.matcher(text).matches()) {
            return Optional.empty();
        }
        String digits = text.replace("#", "");
        String six = digits.length() == 3 ? digits.replaceAll("(.)", "$1$1") : digits;
        return Optional.of(new Colour(Integer.parseInt(six, 16)));
    }

    /**
     * The contrast ratio of two colours, 1 to 21: (lighter + 0.05) / (darker + 0.05) of their relative luminance (WCAG
     * 2.2, "contrast ratio").
     */
    double contrast(Colour other) {
        double one = luminance();
        double two = other.luminance();
        return (Math.max(one, two) + 0.05) / (Math.min(one, two) + 0.05);
    }

    /** WCAG 2.2, "relative luminance", in [0, 1]. */
    private double luminance() {
        return 0.2126 * linear(rgb >> 16 & 0xFF) + 0.7152 * linear(rgb >> 8 & 0xFF) + 0.0722 * linear(rgb & 0xFF);
    }

    private static double linear(int part) {
        double share = part / 255.0;
        return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
    }

    /** Letters that are read on it best; at least 4.5 to 1 on any colour, as WCAG 2.2 AA wants it (1.4.3). */
    Colour ink() {
        return contrast(LIGHT) >= 4.5 ? LIGHT : DARK;
    }

    /** As style sheets write it. */
    String written() {
        return String.format(Locale.ROOT, "#%06x", rgb);
    }
}
