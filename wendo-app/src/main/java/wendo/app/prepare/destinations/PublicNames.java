package wendo.app.prepare.destinations;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Locale;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import wendo.core.links.NetworkAddress;

/**
 * Looks up the names of pages, and refuses what only a private network reaches. The connection goes to the very
 * addresses that were judged here, so a name that answers differently a moment later gains nothing.
 */
final class PublicNames extends SystemDefaultDnsResolver {
    /** Names that exist nowhere (RFC 2606) are not looked up. */
    private static final List<String> NOWHERE = List.of(".example", ".invalid", ".test");

    private final boolean allowsLocal;

    /** Only a private network reaches this host. */
    static final class NotPublic extends UnknownHostException {
        private static final long serialVersionUID = 1;

        NotPublic(String host) {
            super(host);
        }
    }

    PublicNames(boolean allowsLocal) {
        this.allowsLocal = allowsLocal;
    }

    @Override
    public InetAddress[] resolve(String host) throws UnknownHostException {
        String name = host.toLowerCase(Locale.ROOT);
        if (NOWHERE.stream().anyMatch(name::endsWith)) {
            throw new UnknownHostException(host);
        }
        boolean local = name.equals("localhost") || name.endsWith(".localhost"); // RFC 6761: always loopback
        InetAddress[] found =
                local ? new InetAddress[] {InetAddress.getLoopbackAddress()} : InetAddress.getAllByName(name);
        for (InetAddress address : found) {
            if (!allowsLocal && !NetworkAddress.isPublic(address)) {
                throw new NotPublic(host);
            }
        }
        return found;
    }
}
