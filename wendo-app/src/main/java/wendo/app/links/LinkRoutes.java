package wendo.app.links;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.app.destinations.Destinations;
import wendo.core.links.Conditions;
import wendo.core.links.Routing;
import wendo.core.links.Way;
import wendo.core.links.WebAddress;

/** The rules and the split of links. */
@Service
public class LinkRoutes {
    private final LinkRepository links;
    private final Destinations destinations;
    private final JdbcClient jdbc;

    LinkRoutes(LinkRepository links, Destinations destinations, JdbcClient jdbc) {
        this.links = links;
        this.destinations = destinations;
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

    /** Replaces all rules and shares of a link. */
    @Transactional
    public void keep(UUID link, Routing routing) {
        jdbc.sql("delete from link_branch where link_id = ?").param(link).update();
        int place = 0;
        for (Routing.Rule rule : routing.rules()) {
            insert(link, place++, 0, Optional.of(rule.when()), rule.way());
        }
        for (Routing.Share share : routing.split()) {
            insert(link, place++, share.percent(), Optional.empty(), share.way());
        }
    }

    private void insert(UUID link, int place, int share, Optional<Conditions> when, Way way) {
        jdbc.sql("insert into link_branch values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(UUID.randomUUID(), BusinessScope.current().value(), link, place, share)
                .param(when.flatMap(Conditions::firstDay).orElse(null))
                .param(when.flatMap(Conditions::lastDay).orElse(null))
                .param(texts(when.map(Conditions::weekdays).orElse(Set.of())))
                .param(when.flatMap(Conditions::hours)
                        .map(Conditions.Hours::from)
                        .orElse(null))
                .param(when.flatMap(Conditions::hours)
                        .map(Conditions.Hours::until)
                        .orElse(null))
                .param(texts(when.map(Conditions::countries).orElse(Set.of())))
                .param(texts(when.map(Conditions::devices).orElse(Set.of())))
                .param(texts(when.map(Conditions::languages).orElse(Set.of())))
                .params(way.destination(), way.address())
                .update();
    }

    private static String[] texts(Set<?> values) {
        return values.stream()
                .map(value -> value instanceof Enum<?> one ? one.name() : value.toString())
                .sorted()
                .toArray(String[]::new);
    }

    /** Ways to a page that moved follow it. */
    void follow(UUID destination, WebAddress address) {
        for (UUID link : jdbc.sql("select distinct link_id from link_branch where destination_id = ?")
                .param(destination)
                .query(UUID.class)
                .list()) {
            jdbc.sql("update link_branch set tagged_address = ? where link_id = ? and destination_id = ?")
                    .params(links.findById(link).orElseThrow().tag(address), link, destination)
                    .update();
        }
    }
}
