package wendo.app.links;

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
    private volatile Map<String, Host> hosts = Map.of();

    /** Where a link leads. */
    public record Target(UUID link, UUID source, BusinessId business, String taggedAddress) {}

    /** A link host and its links by slug. */
    public record Host(BusinessId business, String businessName, Map<String, Target> targets) {
        public Optional<Target> find(String slug) {
            return Optional.ofNullable(targets.get(slug.toLowerCase(Locale.ROOT)));
        }
    }

    /** The link host of this name, without port, in any letter case; empty if it is none. */
    public Optional<Host> findHost(String name) {
        return Optional.ofNullable(hosts.get(name.toLowerCase(Locale.ROOT)));
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
