package wendo.app.issue.links;

import java.net.URI;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.core.links.AddressRefused;
import wendo.core.links.HostName;
import wendo.core.links.WebAddress;
import wendo.core.text.Sentence;

/** Adds the domains that links begin with, and looks whether they lead here. */
@Component
public class LinkDomains {
    /** RFC 1123, section 2.1. */
    private static final Pattern NAME =
            Pattern.compile("(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?\\.)*[a-z0-9](?:[a-z0-9-]*[a-z0-9])?");

    private final LinkHosts hosts;
    private final DestinationLooks looks;

    LinkDomains(LinkHosts hosts, DestinationLooks looks) {
        this.hosts = hosts;
        this.looks = looks;
    }

    /** Adds it and looks at it. Empty if it is a link domain already, of this business or of another. Throws why it is none. */
    public Optional<UUID> add(String typed, Business business) {
        String origin = origin(typed, business, hosts.defaultHost());
        Optional<UUID> added = UniqueKey.stored(() -> hosts.add(origin));
        added.ifPresent(id -> check(id, business));
        return added;
    }

    /** New links begin with it from now on. */
    public void makeDefault(UUID id) {
        hosts.makeDefault(id);
    }

    /** Only the name counts: a link host has its paths for itself. */
    private static String origin(String typed, Business business, LinkHosts.LinkHost standard) {
        WebAddress address = WebAddress.of(typed);
        if (!address.path().equals("/") || !address.query().isEmpty()) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.enter-the-name-alone-like")));
        }
        if (!NAME.matcher(address.host()).matches()) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.a-link-domain-has-letters")));
        }
        if (!business.allowsLocalDestinations() && HostName.isLocal(address.host())) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.only-your-own-network-can", address.host())));
        }
        boolean isBareLocal = HostName.isLocal(address.host()) && typed.strip().equalsIgnoreCase(address.host());
        if (isBareLocal) { // on this machine it answers where the others do
            URI other = URI.create(standard.origin());
            return other.getScheme() + "://" + address.host() + (other.getPort() < 0 ? "" : ":" + other.getPort());
        }
        return address.scheme() + "://" + address.authority();
    }

    /** Whether the domain leads here: it answers with what only this installation knows of it. */
    public void check(UUID id, Business business) {
        hosts.find(id).ifPresent(host -> {
            WebAddress proof = WebAddress.of(host.host().origin() + LinkDirectory.PROOF_PATH);
            Optional<String> answer = looks.text(proof, business);
            String problem = answer.map(text -> text.strip().equals(id.toString())
                            ? ""
                            : Texts.of("issue.links.another-site-answers-at-this"))
                    .orElse(Texts.of("issue.links.nothing-answers-at-this-name"));
            hosts.checked(id, problem);
        });
    }
}
