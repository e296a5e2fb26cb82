package wendo.core.links;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An absolute {@code http} or {@code https} address in a normal form (RFC 3986): scheme and host in lower case, host
 * in its ASCII form, no default port, characters that may not stand in an address percent-encoded as UTF-8. What is
 * already escaped stays as it is.
 */
public record WebAddress(String scheme, String authority, String path, String query, String fragment) {
    /** Longest address accepted: browsers, mail programs and codes all carry this much. */
    public static final int MAX_LENGTH = 2000;

    /** RFC 3986, appendix B. */
    private static final Pattern PARTS =
            Pattern.compile("^(?:([^:/?#]+):)?(?://([^/?#]*))?([^?#]*)(\\?[^#]*)?(#.*)?$", Pattern.DOTALL);

    /** RFC 3986 but for a further # in a fragment, which browsers leave alone; escapes are looked at by themselves. */
    private static final Pattern WHOLE = Pattern.compile("[^/?#\\s]+/[-._~!$&'()*+,;=:@/%\\w]*+"
            + "(?:\\?[-._~!$&'()*+,;=:@/?\\[\\]%\\w]*+)?(?:#[-._~!$&'()*+,;=:@/?#\\[\\]%\\w]*+)?");

    private static final Pattern SCHEME =
            Pattern.compile("^[A-Za-z][A-Za-z0-9+.-]*:(?!\\d{1,5}(?:[/?#]|$)).*", Pattern.DOTALL);
    private static final Pattern BAD_ESCAPE = Pattern.compile("%(?![0-9A-Fa-f]{2})");
    private static final String ALLOWED = "-._~!$&'()*+,;=:@/?%[]";

    public WebAddress {
        checkScheme(scheme);
        String whole = authority + path + query + fragment;
        if (!WHOLE.matcher(whole).matches() || BAD_ESCAPE.matcher(whole).find()) {
            throw new AddressRefused("links.address-character");
        }
    }

    /** Reads what people paste; a missing scheme becomes {@code https}, and {@code
     * http} for a local host. Throws {@link AddressRefused} with a reason. */
    public static WebAddress of(String pasted) {
        String text = slashes(pasted.replaceAll("^[\\x00-\\x20]+|[\\x00-\\x20]+$|[\\t\\r\\n]", "")
                .strip());
        if (text.isEmpty()) {
            throw new AddressRefused("links.address-missing");
        }
        if (text.length() > MAX_LENGTH) {
            throw new AddressRefused("links.address-length", MAX_LENGTH, text.length());
        }
        Matcher parts = PARTS.matcher(withScheme(text));
        if (parts.matches() && parts.group(1) != null) {
            checkScheme(parts.group(1).toLowerCase(Locale.ROOT));
        }
        if (!parts.matches() || parts.group(2) == null || parts.group(1) == null) {
            throw new AddressRefused("links.no-address");
        }
        String scheme = parts.group(1).toLowerCase(Locale.ROOT);
        String authority = HostName.authority(scheme, parts.group(2));
        String path = parts.group(3).isEmpty()
                ? "/"
                : withoutDots(encode(parts.group(3)).replace("[", "%5B").replace("]", "%5D"));
        return new WebAddress(scheme, authority, path, encodeAfter(parts.group(4)), encodeAfter(parts.group(5)));
    }

    /** Browsers take a backslash before query and fragment for a slash, and any number of them behind the scheme. */
    private static String slashes(String text) {
        int end = text.replaceAll("[?#].*$", "").length();
        String front = text.substring(0, end).replace('\\', '/');
        return front.replaceFirst("^(?i)(https?:)/*", "$1//") + text.substring(end);
    }

    /** Without segments of one and two dots (RFC 3986, section 5.2.4), which may be escaped. */
    private static String withoutDots(String path) {
        Deque<String> kept = new ArrayDeque<>();
        String[] segments = path.substring(1).split("/", -1);
        for (int i = 0; i < segments.length; i++) {
            String plain = segments[i].replaceAll("(?i)%2e", ".");
            boolean isLast = i == segments.length - 1;
            if (plain.equals("..")) {
                kept.pollLast();
            }
            if (!plain.equals(".") && !plain.equals("..")) {
                kept.addLast(segments[i]);
            } else if (isLast) {
                kept.addLast("");
            }
        }
        return "/" + String.join("/", kept);
    }

    private static void checkScheme(String scheme) {
        if (!scheme.equals("http") && !scheme.equals("https")) {
            throw new AddressRefused("links.scheme", scheme);
        }
    }

    private static String withScheme(String text) {
        if (text.startsWith("//")) {
            return "https:" + text;
        }
        if (SCHEME.matcher(text).matches()) {
            return text;
        }
        // Machines of one's own network have no certificates; ours.
        boolean isLocal = HostName.isLocal(text.replaceFirst("[:/?#].*$", "").toLowerCase(Locale.ROOT));
        return (isLocal ? "http://" : "https://") + text;
    }

    private static String encodeAfter(@org.jspecify.annotations.Nullable String part) {
        if (part == null) {
            return "";
        }
        String encoded = encode(part.substring(1));
        return part.charAt(0) + (part.charAt(0) == '#' ? encoded.replace("%23", "#") : encoded);
    }

    private static String encode(String part) {
        StringBuilder out = new StringBuilder(part.length());
        for (byte b : BAD_ESCAPE.matcher(part).replaceAll("%25").getBytes(StandardCharsets.UTF_8)) {
            char c = (char) (b & 0xff);
            boolean plain = c < 0x80 && (Character.isLetterOrDigit(c) || ALLOWED.indexOf(c) >= 0);
            out.append(plain ? String.valueOf(c) : String.format(Locale.ROOT, "%%%02X", (int) c));
        }
        return out.toString();
    }

    /** The host without its port. */
    public String host() {
        return HostName.withoutPort(authority);
    }

    public WebAddress withQuery(String newQuery) {
        return new WebAddress(scheme, authority, path, newQuery, fragment);
    }

    @Override
    public String toString() {
        return scheme + "://" + authority + path + query + fragment;
    }
}
