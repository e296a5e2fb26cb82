package wendo.core.links;

import com.ibm.icu.text.IDNA;
import inet.ipaddr.AddressStringException;
import inet.ipaddr.IPAddressString;
import inet.ipaddr.IncompatibleAddressException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Host names: their normal form, and which of them only this machine or this network can reach. */
public final class HostName {
    private static final Pattern AUTHORITY = Pattern.compile("^(.*?)(?::(\\d*))?$");
    private static final Pattern SIX = Pattern.compile("[0-9A-Fa-f:.]{2,45}");
    private static final int MAX_NAME = 253; // RFC 1035
    private static final int MAX_LABEL = 63; // RFC 1035

    private static final int MAX_PORT_DIGITS = 5;

    /** The URL Standard forbids some of these in names; the others stand in no name that is in use. */
    private static final Pattern FORBIDDEN = Pattern.compile("[^a-z0-9._-]");

    private static final IDNA UTS_46 =
            IDNA.getUTS46Instance(IDNA.CHECK_BIDI | IDNA.CHECK_CONTEXTJ | IDNA.NONTRANSITIONAL_TO_ASCII);

    /** What the URL Standard has no checks for: hyphens anywhere, and lengths. */
    private static final Set<IDNA.Error> LEFT_TO_NAME_SERVERS = EnumSet.of(
            IDNA.Error.LEADING_HYPHEN,
            IDNA.Error.TRAILING_HYPHEN,
            IDNA.Error.HYPHEN_3_4,
            IDNA.Error.EMPTY_LABEL,
            IDNA.Error.LABEL_TOO_LONG,
            IDNA.Error.DOMAIN_NAME_TOO_LONG);

    private static final Pattern DOTTED_QUAD = Pattern.compile("^(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})$");
    private static final Pattern ENDS_IN_NUMBER = Pattern.compile("^(?:.*\\.)?(?:\\d+|0x[0-9a-f]*)$");

    /** Special-use names that never resolve on the open network (RFC 6761, RFC 6762, RFC 8375). */
    private static final List<String> LOCAL_NAMES = List.of("localhost", "local", "internal", "home.arpa", "lan");

    private HostName() {}

    /** The normal form of an authority: host in lower-case ASCII, port only if it is not the scheme's own. */
    static String authority(String scheme, String text) {
        if (text.contains("@")) {
            throw new AddressRefused("links.user-in-address");
        }
        Matcher parts = AUTHORITY.matcher(text);
        if (!parts.matches()) {
            throw new AddressRefused("links.host-unreadable", text);
        }
        String host = parts.group(1).startsWith("[") && parts.group(1).endsWith("]")
                ? six(parts.group(1))
                : ascii(parts.group(1));
        String digits = parts.group(2) == null ? "" : parts.group(2);
        if (digits.isEmpty()) {
            return host;
        }
        String plain = digits.replaceFirst("^0+(?=.)", "");
        int port = plain.length() > MAX_PORT_DIGITS ? 0 : Integer.parseInt(plain);
        if (port < 1 || port > 65535) {
            throw new AddressRefused("links.port", digits);
        }
        return port == (scheme.equals("https") ? 443 : 80) ? host : host + ":" + port;
    }

    /** As browsers do: the WHATWG URL Standard's host parser, with UTS #46 in its non-transitional form. */
    private static String ascii(String text) {
        if (text.isEmpty()) {
            throw new AddressRefused("links.no-host");
        }
        StringBuilder name = new StringBuilder();
        IDNA.Info info = new IDNA.Info();
        UTS_46.nameToASCII(percentDecoded(text), name, info);
        info.getErrors().removeAll(LEFT_TO_NAME_SERVERS);
        String host = name.toString().replaceFirst("\\.$", "");
        boolean isTooLong = host.length() > MAX_NAME
                || Arrays.stream(host.split("\\.", -1)).anyMatch(label -> label.length() > MAX_LABEL);
        if (info.hasErrors()
                || FORBIDDEN.matcher(host).find()
                || isTooLong
                || host.isEmpty()
                || host.contains("..")
                || host.startsWith(".")
                || host.endsWith(".")) {
            throw new AddressRefused("links.host-characters", text);
        }
        return ENDS_IN_NUMBER.matcher(host).matches() ? quad(host) : host;
    }

    private static String percentDecoded(String text) {
        return text.indexOf('%') < 0 ? text : Percent.decode(text);
    }

    /** A number as a host: up to four parts, decimal, octal or hexadecimal, the last filling what is left. */
    private static String quad(String host) {
        String[] parts = host.split("\\.", -1);
        long number = 0;
        for (int i = 0; i < parts.length; i++) {
            boolean isLast = i == parts.length - 1;
            long part = number(parts[i], host);
            long most = isLast ? 1L << 8 * (5 - parts.length) : 256;
            if (parts.length > 4 || part >= most) {
                throw notANumber(host);
            }
            number += isLast ? part : part << 8 * (3 - i);
        }
        return (number >> 24) + "." + (number >> 16 & 255) + "." + (number >> 8 & 255) + "." + (number & 255);
    }

    private static long number(String part, String host) {
        boolean isHex = part.startsWith("0x");
        boolean isOctal = !isHex && part.length() > 1 && part.startsWith("0");
        String digits = isHex ? part.substring(2) : isOctal ? part.substring(1) : part;
        try {
            if (digits.length() > 32 || digits.startsWith("-") || digits.startsWith("+") || part.isEmpty()) {
                throw notANumber(host);
            }
            return digits.isEmpty() ? 0 : Long.parseLong(digits, isHex ? 16 : isOctal ? 8 : 10);
        } catch (NumberFormatException e) {
            throw notANumber(host);
        }
    }

    private static AddressRefused notANumber(String host) {
        return new AddressRefused("links.host-number", host);
    }

    /** In the form of RFC 5952. */
    private static String six(String text) {
        try {
            String inside = text.substring(1, text.length() - 1);
            if (SIX.matcher(inside).matches()) {
                return "[" + new IPAddressString(inside).toAddress().toIPv6().toCanonicalString() + "]";
            }
        } catch (AddressStringException | IncompatibleAddressException e) {
            throw new AddressRefused("links.host-no-address", text);
        }
        throw new AddressRefused("links.host-no-address", text);
    }

    static String withoutPort(String authority) {
        int colon = authority.lastIndexOf(':');
        return colon < authority.lastIndexOf(']') || colon < 0 ? authority : authority.substring(0, colon);
    }

    /** Whether only this machine or its own network could open it: loopback, private, link-local, or a bare name. */
    public static boolean isLocal(String host) {
        if (host.startsWith("[")) {
            return isLocalSix(host);
        }
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

    private static boolean isLocalSix(String host) {
        try {
            return !NetworkAddress.isPublic(InetAddress.getByName(host)); // a literal, so nothing is looked up
        } catch (UnknownHostException e) {
            return true;
        }
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
