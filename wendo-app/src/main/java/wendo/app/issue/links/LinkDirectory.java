package wendo.app.issue.links;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.PublicFace;
import wendo.core.links.Circumstances;
import wendo.core.links.Routing;
import wendo.core.links.Way;

/** All links of all businesses in memory, so that a visit is answered without the database. */
@Component
public class LinkDirectory {
    /** Where a link host tells which one it is. */
    public static final String PROOF_PATH = "/.well-known/wendo";

    /** Where a link host shows an entry form: {@code at} is the path that was asked for, {@code to} its destination. */
    public static final String FORM_PATH = "/t/forms/first";

    /** The destination of an address that is no destination of its own: where a link leads outside of its days. */
    public static final UUID NOWHERE = new UUID(0, 0);

    /** What may stand behind a link for one of its recipients. A code that nobody has leads on all the same. */
    private static final Pattern RECIPIENT = Pattern.compile("[0-9a-z]{6}");

    /** The parameter that brings a reader's address to a link that subscribes. */
    public static final String READER = "reader";

    private volatile Map<String, Host> hosts = Map.of();

    /** The days of a link, half-open, and where it leads outside of them. */
    public record Days(Instant opensAt, Instant closesAt, String outsideAddress) {}

    /** The rules and the split of a link; its days and hours are read in the business's zone. */
    public record Routes(Routing routing, ZoneId zone) {}

    /**
     * Where a link leads.
     *
     * @param subscribes true if whoever brings an address is subscribed
     * @param asks true if an entry form may stand before where it leads
     * @param brand the link's own, else its domain's
     */
    public record Target(
            UUID link,
            UUID source,
            BusinessId business,
            Way own,
            Optional<Days> days,
            Optional<Routes> routes,
            boolean subscribes,
            boolean asks,
            UUID campaign,
            Optional<UUID> brand) {

        /** Its address for this destination if it may lead there now; else its own destination's. */
        public String addressFor(UUID destination) {
            return routes.stream()
                    .flatMap(by -> by.routing().ways().stream())
                    .filter(way -> way.destination().equals(destination))
                    .map(Way::address)
                    .findFirst()
                    .or(() -> days.filter(use -> destination.equals(NOWHERE)).map(Days::outsideAddress))
                    .orElse(own.address());
        }

        /** Outside of its days a link leads where these say; else as its rules do. */
        public Way lead(Instant now, Arriving arriving) {
            Optional<Days> outside = days.filter(use -> now.isBefore(use.opensAt()) || !now.isBefore(use.closesAt()));
            if (outside.isPresent()) {
                return new Way(NOWHERE, outside.get().outsideAddress());
            }
            return routes.map(by -> by.routing().lead(arriving.at(LocalDateTime.ofInstant(now, by.zone()), link), own))
                    .orElse(own);
        }
    }

    /** What is known of somebody who arrives; asked only where a link has rules. */
    public interface Arriving {
        Circumstances at(LocalDateTime now, UUID link);
    }

    /**
     * A link host and its links by slug.
     *
     * @param forwardsTo host and slug of the link that all other paths go by way of; empty text if none
     * @param keepsCookie whether the business lets visitors be told apart by a cookie
     * @param origin how its addresses are written: scheme, name and, where needed, port
     */
    public record Host(
            UUID id,
            BusinessId business,
            String businessName,
            String forwardsTo,
            boolean keepsCookie,
            HostSpeech speech,
            PublicFace face,
            String origin,
            Map<String, Target> targets) {
        public Optional<Target> find(String slug) {
            return Optional.ofNullable(targets.get(slug.toLowerCase(Locale.ROOT)));
        }
    }

    /** The link host of this name, without port, in any letter case; empty if it is none. */
    public Optional<Host> findHost(String name) {
        return Optional.ofNullable(hosts.get(name.toLowerCase(Locale.ROOT)));
    }

    /**
     * A link that was asked for.
     *
     * @param recipient the code of one of its recipients, or empty text
     */
    public record Asked(Target target, String recipient) {}

    /** The link of this path on a host, also with a recipient's code behind it; else what the whole host forwards to. */
    public Optional<Asked> find(Host host, String path) {
        return host.find(path)
                .map(target -> new Asked(target, ""))
                .or(() -> personal(host, path))
                .or(() -> forwarded(host).map(target -> new Asked(target, "")));
    }

    private static Optional<Asked> personal(Host host, String path) {
        int slash = path.indexOf('/');
        String code = path.substring(slash + 1).toLowerCase(Locale.ROOT);
        return slash < 0 || !RECIPIENT.matcher(code).matches()
                ? Optional.empty()
                : host.find(path.substring(0, slash)).map(target -> new Asked(target, code));
    }

    private Optional<Target> forwarded(Host host) {
        int slash = host.forwardsTo().indexOf('/');
        return slash < 0
                ? Optional.empty()
                : findHost(host.forwardsTo().substring(0, slash))
                        .flatMap(other -> other.find(host.forwardsTo().substring(slash + 1)));
    }

    void replace(Map<String, Host> loaded) {
        hosts = Map.copyOf(loaded);
    }

    void put(String hostName, String slug, Target target) {
        Host host = hosts.get(hostName);
        if (host != null) {
            host.targets().put(slug, target);
        }
    }

    /** The links of a host that is known, to go on with under its changed name or settings. */
    Map<String, Target> targetsOf(UUID host) {
        return hosts.values().stream()
                .filter(known -> known.id().equals(host))
                .findFirst()
                .map(Host::targets)
                .orElseGet(LinkDirectory::noTargets);
    }

    static Map<String, Target> noTargets() {
        return new ConcurrentHashMap<>();
    }
}
