package wendo.core.media;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * An e-mail address in lower case, as far as its form tells that it is one: what people have and mail programs send to,
 * not all that RFC 5322 would allow.
 */
public record EmailAddress(String value) {
    /** RFC 5321, section 4.5.3.1.3, less the angle brackets. */
    public static final int MAX_LENGTH = 254;

    private static final Pattern FORM =
            Pattern.compile("[^\\s@<>\"(),:;\\\\]{1,64}@([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\\.)+[a-z][a-z0-9-]{1,62}");

    public static Optional<EmailAddress> find(String typed) {
        String address = typed.strip().toLowerCase(Locale.ROOT);
        boolean isOne = address.length() <= MAX_LENGTH && FORM.matcher(address).matches() && !address.contains("..");
        return isOne ? Optional.of(new EmailAddress(address)) : Optional.empty();
    }
}
