package wendo.app.issue.links;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.prepare.destinations.Destinations;
import wendo.core.links.Routing;
import wendo.core.links.Way;
import wendo.core.links.WebAddress;

/** The rules and the split of links. */
@Service
public class LinkRoutes {
    private final LinkRepository links;
    private final Destinations destinations;
    private final LinkBranchRepository branches;
    private final EntityManager entities;
    private final JdbcClient jdbc;

    LinkRoutes(
            LinkRepository links,
            Destinations destinations,
            LinkBranchRepository branches,
            EntityManager entities,
            JdbcClient jdbc) {
        this.links = links;
        this.destinations = destinations;
        this.branches = branches;
        this.entities = entities;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public Routing of(UUID link) {
        return jdbc.sql("select coalesce(json_agg(b order by b.place), '[]') from link_branch b where b.link_id = ?")
                .param(link)
                .query((row, number) -> Branches.read(row.getString(1)))
                .single();
    }

    /** The way of this link to a page: with its tags. */
    @Transactional
    public Way way(UUID link, WebAddress page) {
        return new Way(
                destinations.findOrCreate(page).id(),
                links.findById(link).orElseThrow().tag(page));
    }

    /** Replaces all rules and shares of a link; it is the link that they change. */
    @Transactional
    public void save(UUID link, EditedVersion edited, Routing routing) {
        Link changed = links.findById(link).orElseThrow();
        changed.mustStillBe(edited);
        entities.lock(changed, LockModeType.OPTIMISTIC_FORCE_INCREMENT); // branches are rows of their own
        List<LinkBranch> rows = new ArrayList<>(branches.findByLinkIdOrderByPlace(link));
        int wanted = routing.rules().size() + routing.split().size();
        while (rows.size() > wanted) {
            branches.delete(rows.remove(rows.size() - 1));
        }
        while (rows.size() < wanted) {
            rows.add(new LinkBranch(link, rows.size()));
        }
        int place = 0;
        for (Routing.Rule rule : routing.rules()) {
            rows.get(place++).become(0, Optional.of(rule.when()), rule.way());
        }
        for (Routing.Share share : routing.split()) {
            rows.get(place++).become(share.percent(), Optional.empty(), share.way());
        }
        rows.forEach(branches::save);
    }

    /** Ways to a page that moved follow it. */
    void follow(UUID destination, WebAddress address) {
        for (LinkBranch branch : branches.findByDestinationId(destination)) {
            branch.leadTo(links.findById(branch.link()).orElseThrow().tag(address));
        }
    }
}
