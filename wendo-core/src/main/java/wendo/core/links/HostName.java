package wendo.core.links;

import java.net.IDN;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Host names: their normal form, and which of them only this machine or this network can reach. */
public final class HostName {
    private static final Pattern AUTHORITY = Pattern.compile("^(.*?)(?::(\\d{0,5}))?$");
    private static final Pattern DOTTED_QUAD = Pattern.compile("^(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})$");
    private static final Pattern ENDS_IN_NUMBER = Pattern.compile("^(?:.*\\.)?(?:\\d+|0x[0-9a-f]*)$");

    /** Special-use names that never resolve on the open network (RFC 6761, RFC 6762, RFC 8375). */
    private static final List<String> LOCAL_NAMES = List.of("localhost", "local", "internal", "home.arpa", "lan");

    private HostName() {}

    /** The normal form of an authority: host in lower-case ASCII, port only if it is not the scheme's own. */
    static String authority(String scheme, String text) {
        if (text.contains("@")) {
            throw new AddressRefused(
                    "An address with a user name before the @ would show it to everybody. Leave it out.");
        }
        if (text.startsWith("[")) {
            throw new AddressRefused(
                    "Use a name instead of a numeric address: printed links have to outlive machines.");
        }
        Matcher parts = AUTHORITY.matcher(text);
        if (!parts.matches()) {
            throw new AddressRefused("The host \"%s\" cannot be read.".formatted(text));
        }
        String host = ascii(parts.group(1));
        String port = parts.group(2) == null ? "" : parts.group(2);
        if (!port.isEmpty() && (Integer.parseInt(port) < 1 || Integer.parseInt(port) > 65535)) {
            throw new AddressRefused("A port is a number from 1 to 65535, but here it is %s.".formatted(port));
        }
        boolean own = port.isEmpty() || port.equals(scheme.equals("https") ? "443" : "80");
        return own ? host : host + ":" + Integer.parseInt(port);
    }

    private static String ascii(String text) {
        String host = text.endsWith(".") ? text.substring(0, text.length() - 1) : text;
        if (host.isEmpty()) {
            throw new AddressRefused("The address has no host. It should look like example.org/page.");
        }
        try {
            return IDN.toASCII(host, IDN.USE_STD3_ASCII_RULES).toLowerCase(Locale.ROOT);
        } catch (IllegalArgumentException e) {
            throw new AddressRefused(
                    "The host \"%s\" has a character or a length that names cannot have.".formatted(host));
        }
    }

    static String withoutPort(String authority) {
        int colon = authority.indexOf(':');
        return colon < 0 ? authority : authority.substring(0, colon);
    }

    /** Whether only this machine or its own network could open it: loopback, private, link-local, or a bare name. */
    public static boolean isLocal(String host) {
        Matcher quad = DOTTED_QUAD.matcher(host);
        if (quad.matches()) {
            return isLocal(Integer.parseInt(quad.group(1)), Integer.parseInt(quad.group(2)));
        }
        if (ENDS_IN_NUMBER.matcher(host).matches()) {
            return true; // other spellings of a number (0x7f.1, 2130706433) reach the same machines
        }
        return !host.contains(".")
                || LOCAL_NAMES.stream().anyMatch(name -> host.equals(name) || host.endsWith("." + name));
    }

    /** RFC 1122 (0/8, 127/8), RFC 1918 (10/8, 172.16/12, 192.168/16), RFC 3927 (169.254/16), RFC 6598 (100.64/10). */
    private static boolean isLocal(int first, int second) {
        return first == 0
                || first == 10
                || first == 127
                || first >= 224
                || (first == 100 && second >= 64 && second <= 127)
                || (first == 169 && second == 254)
                || (first == 172 && second >= 16 && second <= 31)
                || (first == 192 && second == 168);
    }
}
