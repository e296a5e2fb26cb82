package wendo.app.issue.links;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.Destinations;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** Keeps one link: finds it, describes it anew, leads it elsewhere. Its address never changes. */
@Service
public class LinkSaving {
    public static final int MAX_NAME = Limits.LINK_NAME;
    public static final int MAX_REASON = Limits.REASON;
    public static final int MAX_LABEL = TermRules.MAX_LABEL;

    private final LinkRepository links;
    private final LinkQueries queries;
    private final LinkHosts hosts;
    private final IssueContext desk;
    private final Destinations destinations;
    private final EntityManager entities;
    private final Clock clock;

    LinkSaving(
            LinkRepository links,
            LinkQueries queries,
            LinkHosts hosts,
            IssueContext desk,
            Destinations destinations,
            EntityManager entities,
            Clock clock) {
        this.links = links;
        this.queries = queries;
        this.hosts = hosts;
        this.desk = desk;
        this.destinations = destinations;
        this.entities = entities;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Optional<LinkListed> find(UUID id) {
        return queries.byIds(List.of(id)).stream().findFirst();
    }

    /** The brand in whose name a link speaks, if it is one's. */
    @Transactional(readOnly = true)
    public Optional<UUID> brandOf(UUID link) {
        return queries.brand(link);
    }

    /** In the order of the identifiers, without those that are not there. */
    @Transactional(readOnly = true)
    public List<LinkListed> find(List<UUID> ids) {
        return queries.byIds(ids);
    }

    /** The link that a pasted address, with or without scheme, tags or capitals, or a slug alone means. */
    @Transactional(readOnly = true)
    public Optional<UUID> findPasted(String pasted) {
        return queries.findPasted(pasted);
    }

    @Transactional(readOnly = true)
    public List<String> labelsInUse() {
        return desk.labelsInUse();
    }

    /** What is said of a link, as it would be typed. */
    @Transactional(readOnly = true)
    public LinkTerms terms(UUID id) {
        return links.findById(id).orElseThrow().terms();
    }

    /** How often a link was changed; forms carry it along. */
    @Transactional(readOnly = true)
    public int version(UUID id) {
        return links.findById(id).map(Link::version).orElse(0);
    }

    /** Describes a link anew; answers what was wrong, and then changes nothing. */
    @Transactional
    public List<IssueFault> describe(UUID id, EditedVersion edited, String name, LinkTerms typed) {
        List<IssueFault> faults = new ArrayList<>();
        if (name.isBlank() || name.strip().length() > MAX_NAME) {
            faults.add(new IssueFault("name", Texts.of("issue.links.a-name-must-have-1", MAX_NAME)));
        }
        TermRules.Judged judged = new TermRules(desk.setting(IssueContext.Choice.usual())).check(typed);
        faults.addAll(judged.faults());
        if (faults.isEmpty()) {
            Link link = links.findById(id).orElseThrow();
            link.mustStillBe(edited);
            link.rename(name.strip());
            link.agree(judged.terms());
        }
        return faults;
    }

    /** The page that a link may lead to. Throws {@link AddressRefused} with a reason. */
    @Transactional(readOnly = true)
    public WebAddress check(String pasted, Business business) {
        return Destinations.check(pasted, business, hosts.names());
    }

    /** A page's address with the tags of a link. */
    @Transactional(readOnly = true)
    public String tagged(UUID id, WebAddress page) {
        return links.findById(id).orElseThrow().tag(page);
    }

    /** Why somebody led a link elsewhere. */
    public record Reason(String text, String by) {}

    /** Leads a link to another page from now on. */
    @Transactional
    public void leadTo(UUID id, EditedVersion edited, WebAddress address, Reason why) {
        Link link = links.findById(id).orElseThrow();
        link.mustStillBe(edited);
        UUID destination = destinations.findOrCreate(address).id();
        if (!link.read(LinkProperty.DESTINATION).equals(destination.toString())) {
            link.leadTo(destination, address);
            entities.persist(new LinkDestination(
                    id,
                    destination,
                    address.toString(),
                    new LinkDestination.Change(why.by(), clock.instant(), why.text())));
        }
    }
}
