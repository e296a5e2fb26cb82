package wendo.app.issue.links;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.DestinationMoved;
import wendo.app.prepare.sources.SourcesMerged;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;
import wendo.core.text.Sentence;

/** Links follow what they belong to: a page that moved, a source that turned out to be another. */
@Component
class LinkSourceMergeListener {
    private final LinkRepository links;
    private final LinkRoutes routes;
    private final LinkHosts hosts;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    LinkSourceMergeListener(
            LinkRepository links,
            LinkRoutes routes,
            LinkHosts hosts,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.links = links;
        this.routes = routes;
        this.hosts = hosts;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @EventListener
    void on(DestinationMoved moved) {
        WebAddress address = WebAddress.of(moved.newAddress());
        if (hosts.names().contains(address.host())) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.this-is-itself-one-of")));
        }
        LinkDestination.Change change = new LinkDestination.Change(moved.movedBy(), clock.instant(), moved.reason());
        List<Link> leading = links.findAllByDestinationId(moved.destination());
        for (Link link : leading) {
            link.leadTo(moved.destination(), address);
            entities.persist(new LinkDestination(link.id(), moved.destination(), address.toString(), change));
        }
        entities.flush();
        routes.follow(moved.destination(), address);
    }

    /** Addresses keep the tag that they were issued with: they may stand in print. */
    @EventListener
    void on(SourcesMerged merged) {
        move(merged.kept(), merged.merged());
    }

    private void move(UUID kept, UUID merged) {
        jdbc.sql("update link set source_id = ?, version = version + 1 where source_id = ?")
                .params(kept, merged)
                .update();
    }
}
