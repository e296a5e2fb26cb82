package wendo.app.links;

import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessId;

/** All links of all businesses in memory, so that a visit is answered without the database. */
@Component
public class LinkDirectory {
    /** Where a link host tells which one it is. */
    public static final String PROOF_PATH = "/.well-known/wendo";

    private volatile Map<String, Host> hosts = Map.of();

    /** The days of a link, half-open, and where it leads outside of them. */
    public record Days(Instant opensAt, Instant closesAt, String outsideAddress) {}

    /** Where a link leads. */
    public record Target(UUID link, UUID source, BusinessId business, String taggedAddress, Optional<Days> days) {
        public String addressAt(Instant now) {
            return days.filter(use -> now.isBefore(use.opensAt()) || !now.isBefore(use.closesAt()))
                    .map(Days::outsideAddress)
                    .orElse(taggedAddress);
        }
    }

    /**
     * A link host and its links by slug.
     *
     * @param forwardsTo host and slug of the link that all other paths go by way of; empty text if none
     */
    public record Host(
            UUID id, BusinessId business, String businessName, String forwardsTo, Map<String, Target> targets) {
        public Optional<Target> find(String slug) {
            return Optional.ofNullable(targets.get(slug.toLowerCase(Locale.ROOT)));
        }
    }

    /** The link host of this name, without port, in any letter case; empty if it is none. */
    public Optional<Host> findHost(String name) {
        return Optional.ofNullable(hosts.get(name.toLowerCase(Locale.ROOT)));
    }

    /** The link of this path on a host, or the one that the whole host forwards to. */
    public Optional<Target> find(Host host, String slug) {
        return host.find(slug).or(() -> {
            int slash = host.forwardsTo().indexOf('/');
            return slash < 0
                    ? Optional.empty()
                    : findHost(host.forwardsTo().substring(0, slash))
                            .flatMap(other -> other.find(host.forwardsTo().substring(slash + 1)));
        });
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

    static Map<String, Target> noTargets() {
        return new ConcurrentHashMap<>();
    }
}
