package wendo.app.linkhost.redirect;

import java.time.Duration;
import java.util.Optional;

/** Cookies as RFC 6265 writes them, as far as a link host reads and sets any. */
final class Cookies {
    private static final Duration KEPT = Duration.ofDays(400); // the longest that browsers keep one

    private static final String ATTRIBUTES = "; Max-Age=" + KEPT.toSeconds() + "; Path=/; HttpOnly; SameSite=Lax";

    private Cookies() {}

    static Optional<String> find(LinkRequest asking, String name) {
        String header = asking.header("Cookie");
        int from = 0;
        while (from < header.length()) {
            int end = header.indexOf(';', from);
            String pair =
                    header.substring(from, end < 0 ? header.length() : end).strip();
            if (pair.startsWith(name) && pair.length() > name.length() && pair.charAt(name.length()) == '=') {
                return Optional.of(unquoted(pair.substring(name.length() + 1)));
            }
            from = end < 0 ? header.length() : end + 1;
        }
        return Optional.empty();
    }

    private static String unquoted(String value) {
        return value.length() > 1 && value.startsWith("\"") && value.endsWith("\"")
                ? value.substring(1, value.length() - 1)
                : value;
    }

    /** The value of a Set-Cookie header that no script of a page can read. */
    static String kept(String name, String value, boolean secure) {
        return name + "=" + value + ATTRIBUTES + (secure ? "; Secure" : "");
    }
}
