package wendo.core.visits;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Which links that lead away are counted together: a host, or a host and a path, with what lies below it; {@code *} stands
 * for any text. Scheme and a leading "www." make no difference, nor does the case of the host. Ours.
 *
 * @param text in normal form: without scheme, "www." and a slash at its end, the host in lower case
 */
public record OutgoingPattern(String text) {
    public static final int MAX_LENGTH = 300;

    /** Something of a host has to be there: a pattern of stars alone would count everything. */
    private static final Pattern FORM = Pattern.compile("[^\\s/?#]*[\\p{Alnum}][^\\s/?#]*([/?]\\S*)?");

    public OutgoingPattern {
        if (!isPossible(text)) {
            throw new IllegalArgumentException(
                    "An outgoing pattern must be a host, perhaps with a path, but was \"%s\"".formatted(text));
        }
    }

    private static boolean isPossible(String text) {
        return text.length() <= MAX_LENGTH
                && FORM.matcher(text).matches()
                && text.equals(normal(text))
                && !host(text).replaceAll("[^\\p{Alnum}]", "").isEmpty();
    }

    /** Empty for a text that can be none. */
    public static Optional<OutgoingPattern> find(String typed) {
        String normal = normal(typed.strip());
        return isPossible(normal) ? Optional.of(new OutgoingPattern(normal)) : Optional.empty();
    }

    /** An address as patterns are held against it: without scheme, "www." and fragment, the host in lower case. */
    public static String normal(String address) {
        String bare = address.replaceFirst("^(?i)https?://", "").replaceFirst("#.*$", "");
        String host = host(bare);
        String rest = bare.substring(host.length());
        String plain = host.toLowerCase(Locale.ROOT).replaceFirst("^www\\.(?=.)", "");
        return (plain + rest).replaceFirst("/+$", "");
    }

    private static String host(String bare) {
        int end = 0;
        while (end < bare.length() && "/?".indexOf(bare.charAt(end)) < 0) {
            end++;
        }
        return bare.substring(0, end);
    }

    /** @param normal an address in {@linkplain #normal normal form} */
    public boolean matches(String normal) {
        return Pattern.compile(regex() + "(?:[/?].*)?", Pattern.DOTALL)
                .matcher(normal)
                .matches();
    }

    private String regex() {
        StringBuilder regex = new StringBuilder();
        for (String part : text.split("\\*", -1)) {
            regex.append(regex.isEmpty() ? "" : ".*").append(Pattern.quote(part));
        }
        return regex.toString();
    }

    /** The same for SQL's {@code like}, without what lies below it. */
    public String like() {
        return text.replace("\\", "\\\\")
                .replace("%", "\\%")
                .replace("_", "\\_")
                .replace("*", "%");
    }
}
