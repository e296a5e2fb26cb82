package wendo.core.visits;

import java.util.List;
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

    private static final List<String> SCHEMES = List.of("https://", "http://");
    private static final String WWW = "www.";

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

    /**
     * An address as patterns are held against it: without scheme, "www." and fragment, the host in lower case. Cheap, for
     * each redirect asks it.
     */
    public static String normal(String address) {
        int hash = address.indexOf('#');
        String bare = afterScheme(hash < 0 ? address : address.substring(0, hash));
        String host = host(bare);
        String plain = host.toLowerCase(Locale.ROOT);
        String named = plain.startsWith(WWW) && plain.length() > WWW.length() ? plain.substring(WWW.length()) : plain;
        return withoutLastSlashes(named + bare.substring(host.length()));
    }

    private static String afterScheme(String address) {
        for (String scheme : SCHEMES) {
            if (address.regionMatches(true, 0, scheme, 0, scheme.length())) {
                return address.substring(scheme.length());
            }
        }
        return address;
    }

    private static String withoutLastSlashes(String text) {
        int end = text.length();
        while (end > 0 && text.charAt(end - 1) == '/') {
            end--;
        }
        return text.substring(0, end);
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
