package wendo.core.visits;

import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;

/** The identifier by which the site tag tells visitors of the business's own site apart: 32 hexadecimal digits. */
public final class SiteVisitor {
    private static final Pattern FORM = Pattern.compile("([0-9a-f]{16})([0-9a-f]{16})");

    private SiteVisitor() {}

    /** Empty for a text that is none. */
    public static Optional<UUID> find(String text) {
        var digits = FORM.matcher(text);
        return digits.matches()
                ? Optional.of(new UUID(
                        Long.parseUnsignedLong(digits.group(1), 16), Long.parseUnsignedLong(digits.group(2), 16)))
                : Optional.empty();
    }
}
