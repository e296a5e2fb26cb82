package wendo.app.issue.links;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.links.PastedLink;

/** Reads links, one by one and by what people paste. */
@Component
class LinkQueries {
    static final String LINKS = """
            select l.id, l.name, l.slug, h.origin || '/' || l.slug as url, l.tagged_address, l.tags, l.note, l.labels,
                coalesce(p.name, '') as owner, l.created_at, l.created_by, l.source_id, l.campaign_id, l.destination_id,
                s.name as source, s.channel, c.name as campaign, d.address as destination, l.is_paid, l.disclosure,
                l.archived_at
            from link l
            join link_host h on h.id = l.host_id
            join source s on s.id = l.source_id
            join campaign c on c.id = l.campaign_id
            join destination d on d.id = l.destination_id
            left join person p on p.id = l.owner_id
            """;

    private final JdbcClient jdbc;

    LinkQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The brand of a link, or of its link domain. */
    @Transactional(readOnly = true)
    Optional<UUID> brand(UUID link) {
        return jdbc.sql("""
                        select coalesce(l.brand_id, h.brand_id) from link l join link_host h on h.id = l.host_id
                        where l.id = ? and coalesce(l.brand_id, h.brand_id) is not null
                        """).param(link).query(UUID.class).optional();
    }

    /** The link that a pasted address, with or without scheme, tags or capitals, or a slug alone means. */
    @Transactional(readOnly = true)
    Optional<UUID> findPasted(String pasted) {
        return jdbc.sql("select id from link where slug = ? order by created_at limit 1")
                .param(new PastedLink(pasted).slug())
                .query(UUID.class)
                .optional();
    }

    /** The addresses of those of these pasted links that are there, by what was pasted. */
    @Transactional(readOnly = true)
    Map<String, String> findPasted(Collection<String> pasted) {
        Map<String, String> byPlain = new HashMap<>();
        jdbc.sql("""
                        select lower(h.name) || '/' || l.slug, h.origin || '/' || l.slug
                        from link l join link_host h on h.id = l.host_id
                        where l.slug = any(?)
                        """)
                .param(pasted.stream()
                        .map(one -> new PastedLink(one).slug())
                        .distinct()
                        .toArray(String[]::new))
                .query(row -> {
                    byPlain.put(row.getString(1), row.getString(2));
                });
        Map<String, String> found = new HashMap<>();
        for (String one : pasted) {
            String url = byPlain.get(new PastedLink(one).plain());
            if (url != null) {
                found.put(one, url);
            }
        }
        return found;
    }

    /** Has the first links of all looked at by the planner, when many are made in one transaction. */
    void tellOfMany() {
        jdbc.sql("select analyze_first_links()").query(row -> {});
    }

    /** In the order of the identifiers. */
    @Transactional(readOnly = true)
    List<LinkListed> byIds(List<UUID> ids) {
        if (ids.isEmpty()) {
            return List.of();
        }
        return jdbc.sql(LINKS + "where l.id in (:ids)").param("ids", ids).query(LinkQueries::row).list().stream()
                .sorted(Comparator.comparingInt(row -> ids.indexOf(row.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    List<LinkListed> newest(int limit, long offset) {
        return jdbc.sql(LINKS + "order by l.created_at desc, l.id limit :limit offset :offset")
                .param("limit", limit)
                .param("offset", offset)
                .query(LinkQueries::row)
                .list();
    }

    static LinkListed row(ResultSet row, int number) throws SQLException {
        return new LinkListed(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("slug"),
                row.getString("url"),
                row.getString("tagged_address"),
                row.getString("tags"),
                row.getString("note"),
                List.of((String[]) row.getArray("labels").getArray()),
                row.getString("owner"),
                row.getTimestamp("created_at").toInstant(),
                row.getString("created_by"),
                new LinkListed.Belongs(
                        row.getObject("source_id", UUID.class),
                        row.getObject("campaign_id", UUID.class),
                        row.getObject("destination_id", UUID.class)),
                row.getString("source"),
                Channel.valueOf(row.getString("channel")),
                row.getString("campaign"),
                row.getString("destination"),
                new LinkListed.Paid(row.getBoolean("is_paid"), row.getString("disclosure")),
                Optional.ofNullable(row.getTimestamp("archived_at")).map(Timestamp::toInstant));
    }
}
