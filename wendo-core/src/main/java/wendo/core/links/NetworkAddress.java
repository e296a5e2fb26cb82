package wendo.core.links;

import java.net.InetAddress;
import java.util.List;
import java.util.stream.Stream;

/** Which network addresses anybody on the open internet can reach. */
public final class NetworkAddress {
    /** A block of addresses by its first bits. */
    private record Block(byte[] start, int bits) {
        static Block of(String text) {
            int slash = text.indexOf('/');
            return new Block(bytes(text.substring(0, slash)), Integer.parseInt(text, slash + 1, text.length(), 10));
        }

        private static byte[] bytes(String literal) {
            try {
                return InetAddress.getByName(literal).getAddress(); // a literal is not looked up
            } catch (java.net.UnknownHostException e) {
                throw new IllegalArgumentException("Not a numeric address: " + literal, e);
            }
        }

        boolean contains(byte[] address) {
            if (address.length != start.length) {
                return false;
            }
            for (int bit = 0; bit < bits; bit++) {
                int mask = 0x80 >> (bit % 8);
                if ((address[bit / 8] & mask) != (start[bit / 8] & mask)) {
                    return false;
                }
            }
            return true;
        }
    }

    /**
     * The blocks that the IANA special-purpose address registries (RFC 6890 and its updates) do not mark as globally
     * reachable, multicast, and the IPv6 blocks that carry IPv4 addresses inside (RFC 6052, 3056, 4380), since those
     * may be private ones. The registries' contents are from memory.
     */
    private static final List<Block> CLOSED = Stream.of(
                    "0.0.0.0/8",
                    "10.0.0.0/8",
                    "100.64.0.0/10",
                    "127.0.0.0/8",
                    "169.254.0.0/16",
                    "172.16.0.0/12",
                    "192.0.0.0/24",
                    "192.0.2.0/24",
                    "192.88.99.0/24",
                    "192.168.0.0/16",
                    "198.18.0.0/15",
                    "198.51.100.0/24",
                    "203.0.113.0/24",
                    "224.0.0.0/3",
                    "::/8",
                    "64:ff9b::/96",
                    "64:ff9b:1::/48",
                    "100::/64",
                    "2001::/23",
                    "2001:db8::/32",
                    "2002::/16",
                    "3fff::/20",
                    "5f00::/16",
                    "fc00::/7",
                    "fe80::/9",
                    "ff00::/8")
            .map(Block::of)
            .toList();

    private NetworkAddress() {}

    public static boolean isPublic(InetAddress address) {
        return CLOSED.stream().noneMatch(block -> block.contains(address.getAddress()));
    }
}
