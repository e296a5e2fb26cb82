package wendo.app.links;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;
import wendo.app.business.BusinessScope;
import wendo.core.links.Channel;
import wendo.core.links.WebAddress;

/** Issues links: a sheet of them, all or none. */
@Service
public class Links {
    private final Desk desk;
    private final Sources sources;
    private final Campaigns campaigns;
    private final DestinationRepository destinations;
    private final EntityManager entities;
    private final Clock clock;

    Links(
            Desk desk,
            Sources sources,
            Campaigns campaigns,
            DestinationRepository destinations,
            EntityManager entities,
            Clock clock) {
        this.desk = desk;
        this.sources = sources;
        this.campaigns = campaigns;
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
        List<UUID> ids = new ArrayList<>();
        Map<UUID, String> slugs = new HashMap<>();
        List<IssueFault> faults = new ArrayList<>();
        for (int i = 0; i < wishes.size(); i++) {
            String field = "sources[%d].source".formatted(i);
            Sources.refusal(wishes.get(i).source()).ifPresent(reason -> faults.add(new IssueFault(field, reason)));
        }
        if (!faults.isEmpty()) {
            return new Issued.Refused(faults);
        }
        for (Wish wish : wishes) {
            UUID id = sources.findOrCreate(wish.source(), wish.channel()).id();
            ids.add(id);
            slugs.put(id, wish.slug());
        }
        return issue(new IssueForm(destination, campaign, "", ids, slugs, Map.of(), "", ""), issuedBy);
    }

    @Transactional
    Issued issue(IssueForm form, String issuedBy) {
        IssueSheet sheet = desk.layOut(form);
        if (!sheet.isReady()) {
            return refused(sheet.faults());
        }
        try {
            return new Issued.Done(store(sheet, form.campaign(), issuedBy));
        } catch (DataIntegrityViolationException | PersistenceException e) {
            return refused(List.of(
                    new IssueFault("sources", "An ending was taken this very moment. Nothing was issued; try again.")));
        }
    }

    /** Nothing of a refused sheet is kept, nor the sources that were made for it. */
    private static Issued.Refused refused(List<IssueFault> faults) {
        TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        return new Issued.Refused(faults);
    }

    private List<IssuedLink> store(IssueSheet sheet, String campaignName, String issuedBy) {
        Instant now = clock.instant();
        CampaignListed campaign = campaigns.findOrCreate(campaignName);
        Destination destination = destinations
                .findByAddress(sheet.destinationAddress())
                .orElseGet(() -> create(sheet.destinationAddress(), now));
        List<IssuedLink> issued = new ArrayList<>();
        for (IssueSheet.Stub stub : sheet.stubs()) {
            Link link = new Link(BusinessScope.current(), sheet, stub, campaign, destination);
            link.issuedBy(issuedBy, now);
            entities.persist(link);
            String slug = stub.checkedSlug().value();
            issued.add(new IssuedLink(
                    link.id(), sheet.host().origin() + "/" + slug, slug, stub.source(), stub.taggedAddress()));
        }
        entities.flush();
        return List.copyOf(issued);
    }

    private Destination create(String address, Instant now) {
        Destination destination = new Destination(BusinessScope.current(), WebAddress.of(address), now);
        entities.persist(destination);
        return destination;
    }
}
