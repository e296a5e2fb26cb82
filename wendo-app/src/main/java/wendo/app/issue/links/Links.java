package wendo.app.issue.links;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.IntConsumer;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.WebAddress;

/** Issues links: a sheet of them, all or none. */
@Service
public class Links {
    /** Rows that one statement batch holds; the entities of a long sheet are let go as it is written. */
    private static final int FLUSH_EVERY = 500;

    private final IssueContext desk;
    private final Sources sources;
    private final Campaigns campaigns;
    private final TagPlans plans;
    private final LinkQueries queries;
    private final Destinations destinations;
    private final EntityManager entities;
    private final Clock clock;

    Links(
            IssueContext desk,
            Sources sources,
            Campaigns campaigns,
            TagPlans plans,
            LinkQueries queries,
            Destinations destinations,
            EntityManager entities,
            Clock clock) {
        this.desk = desk;
        this.sources = sources;
        this.campaigns = campaigns;
        this.plans = plans;
        this.queries = queries;
        this.destinations = destinations;
        this.entities = entities;
        this.clock = clock;
    }

    /** A link that was issued. */
    public record IssuedLink(UUID id, String url, String slug, SourceListed source, String taggedDestination) {}

    /** What a program asks for; an empty slug is generated. */
    public record Wish(String source, Channel channel, String slug) {}

    /** Either all links, or all that was wrong. */
    public sealed interface Issued {
        record Done(List<IssuedLink> links) implements Issued {}

        record Refused(List<IssueFault> faults) implements Issued {}
    }

    /** Issues by names: sources and the campaign that do not exist yet are made along with the links. */
    @Transactional
    public Issued issue(String destination, String campaign, List<Wish> wishes, String issuedBy) {
        List<LinkWish> all = wishes.stream()
                .map(wish -> new LinkWish(
                        destination,
                        wish.source(),
                        wish.channel().key(),
                        campaign,
                        wish.slug(),
                        "",
                        Map.of(),
                        LinkTerms.none()))
                .toList();
        return issue(all, IssueContext.Choice.usual(), issuedBy);
    }

    /** Lays out links without making any, checking everything that issuing checks. */
    @Transactional(readOnly = true)
    public List<Draft> lay(List<LinkWish> wishes, IssueContext.Choice choice) {
        return desk.layOut(wishes, choice);
    }

    /**
     * Makes links of drafts that were laid out in the same transaction and are ready.
     *
     * @param progress told how many are made, every now and then
     */
    @Transactional
    public List<IssuedLink> issueDrafts(
            List<Draft> drafts, IssueContext.Choice choice, String issuedBy, IntConsumer progress) {
        return new Storing(desk.setting(choice), issuedBy).store(drafts, progress);
    }

    /** The addresses of those of these pasted links that are there, by what was pasted. */
    @Transactional(readOnly = true)
    public Map<String, String> findPasted(Collection<String> pasted) {
        return queries.findPasted(pasted);
    }

    /** The tag plans, the default first. */
    @Transactional(readOnly = true)
    public List<NamedPlan> plans() {
        return plans.list();
    }

    /** The plan of this identifier, or the default one. */
    @Transactional(readOnly = true)
    public NamedPlan plan(String id) {
        return desk.setting(new IssueContext.Choice("", id, "")).plan();
    }

    /** What is wrong with the pattern of a choice; empty text if nothing is. */
    @Transactional(readOnly = true)
    public String patternFault(IssueContext.Choice choice) {
        return desk.patternFault(choice.pattern(), plan(choice.plan()));
    }

    @Transactional
    public Issued issue(List<LinkWish> wishes, IssueContext.Choice choice, String issuedBy) {
        IssueSetting setting = desk.setting(choice);
        List<Draft> drafts = desk.layOut(wishes, setting);
        List<IssueFault> faults = IssueFault.ofSheet(drafts);
        return faults.isEmpty() ? issueAll(drafts, setting, issuedBy) : refused(faults);
    }

    /** Issues what was found good, unless somebody else takes an ending at this very moment: then none. */
    @Transactional
    Issued issueAll(List<Draft> drafts, IssueSetting setting, String issuedBy) {
        try {
            return new Issued.Done(new Storing(setting, issuedBy).store(drafts, made -> {}));
        } catch (DataIntegrityViolationException | PersistenceException e) {
            return refused(List.of(new IssueFault("sources", Texts.of("issue.links.an-ending-was-taken-just"))));
        }
    }

    /** Nothing of a refused sheet is kept, nor the sources that were made for it. */
    private static Issued.Refused refused(List<IssueFault> faults) {
        TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        return new Issued.Refused(faults);
    }

    /** Writes one sheet; what several of its links share is looked up once. */
    private final class Storing {
        private final IssueSetting setting;
        private final LinkDestination.Change change;
        private final Map<String, SourceListed> madeSources = new HashMap<>();
        private final Map<String, UUID> campaignIds = new HashMap<>();
        private final Map<WebAddress, UUID> destinationIds = new HashMap<>();

        private Storing(IssueSetting setting, String issuedBy) {
            this.setting = setting;
            this.change = new LinkDestination.Change(issuedBy, clock.instant(), "");
        }

        private List<IssuedLink> store(List<Draft> drafts, IntConsumer progress) {
            List<IssuedLink> issued = new ArrayList<>();
            for (Draft draft : drafts) {
                issued.add(store(draft));
                if (issued.size() % FLUSH_EVERY == 0) {
                    entities.flush();
                    entities.clear();
                    queries.tellOfMany();
                    progress.accept(issued.size());
                }
            }
            entities.flush();
            sources.useAgain(
                    issued.stream().map(link -> link.source().id()).distinct().toList());
            return List.copyOf(issued);
        }

        private IssuedLink store(Draft draft) {
            SourceListed source = draft.what().source().orElseGet(() -> source(draft.what()));
            WebAddress page = draft.destination().orElseThrow();
            UUID destination = destinationIds.computeIfAbsent(
                    page, address -> destinations.findOrCreate(address).id());
            UUID campaign = campaignIds.computeIfAbsent(
                    draft.what().campaign(),
                    name -> campaigns.findOrCreate(name).id());
            Link link = new Link(setting.host().id(), draft, new Link.Belongs(source.id(), campaign, destination));
            link.issuedBy(change.by(), change.at());
            entities.persist(link);
            entities.persist(new LinkDestination(link.id(), destination, page.toString(), change));
            return new IssuedLink(link.id(), draft.url(), draft.checkedSlug().value(), source, draft.taggedAddress());
        }

        private SourceListed source(Draft.What what) {
            return madeSources.computeIfAbsent(
                    wendo.core.links.Tag.of(what.sourceName()).value(),
                    tag -> sources.findOrCreate(what.sourceName(), what.channel()));
        }
    }
}
