package wendo.app.desk.welcome;

import java.net.URI;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Installation;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** How links of a business begin: scheme, host and, where needed, port. */
final class LinkOrigin {
    private LinkOrigin() {}

    /** Of a name as typed; on this installation's own port if it is below its own name. Empty if it is no name alone. */
    static Optional<String> of(String typed, Installation installation) {
        URI own = URI.create(installation.linkOrigin());
        try {
            WebAddress address = WebAddress.of(typed);
            if (!address.path().equals("/") || !address.query().isEmpty()) {
                return Optional.empty();
            }
            String host = address.host().toLowerCase(Locale.ROOT);
            boolean isBelow = host.endsWith("." + own.getHost());
            return Optional.of(
                    isBelow
                            ? own.getScheme() + "://" + host + (own.getPort() < 0 ? "" : ":" + own.getPort())
                            : address.scheme() + "://" + address.authority());
        } catch (AddressRefused e) {
            return Optional.empty();
        }
    }
}
