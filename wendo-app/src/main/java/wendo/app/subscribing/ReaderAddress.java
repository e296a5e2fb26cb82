package wendo.app.subscribing;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** An e-mail address in lower case, as far as a form can tell that it is one. */
record ReaderAddress(String value) {
    /** RFC 5321, section 4.5.3.1.3, less the angle brackets. */
    static final int MAX = 254;

    private static final Pattern FORM =
            Pattern.compile("[^\\s@<>\"(),:;\\\\]{1,64}@([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\\.)+[a-z][a-z0-9-]{1,62}");

    static Optional<ReaderAddress> find(String typed) {
        String address = typed.strip().toLowerCase(Locale.ROOT);
        boolean isOne = address.length() <= MAX && FORM.matcher(address).matches() && !address.contains("..");
        return isOne ? Optional.of(new ReaderAddress(address)) : Optional.empty();
    }
}
