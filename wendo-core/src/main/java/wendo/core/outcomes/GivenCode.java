package wendo.core.outcomes;

import java.util.Locale;
import java.util.Optional;

/**
 * A coupon or partner code as it is compared: capitals and digits only, since it is said aloud at a till and typed at a
 * checkout. Ours.
 */
public record GivenCode(String key) {
    public static final int MAX_LENGTH = 40;

    /** Empty if nothing of it is a letter or a digit, or it is longer than a code may be. */
    public static Optional<GivenCode> find(String typed) {
        String key = typed.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
        return key.isEmpty() || key.length() > MAX_LENGTH ? Optional.empty() : Optional.of(new GivenCode(key));
    }
}
