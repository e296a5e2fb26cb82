package wendo.app.links;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.measure.Period;

/** The SQL of the lists of links. */
@Component
class LinkQueries {
    static final int PAGE = 200;

    private static final String LINKS = """
            select l.id, l.name, l.slug, h.origin || '/' || l.slug as url, l.tagged_address, l.note, l.created_at,
                   l.created_by, s.name as source, s.channel, c.name as campaign, d.address as destination
            from link l
            join link_host h on h.id = l.host_id
            join source s on s.id = l.source_id
            join campaign c on c.id = l.campaign_id
            join destination d on d.id = l.destination_id
            """;

    /** A pasted link is found by its own slug: the needle's last part. */
    private static final String FOUND = """
            (:needle = '' or lower(l.name || ' ' || l.slug || ' ' || l.note || ' ' || s.name || ' ' || c.name || ' '
                || d.address) like '%' || :needle || '%' or l.slug = :slug)
            """;

    private final JdbcClient jdbc;

    LinkQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Row(
            UUID id,
            String name,
            String slug,
            String url,
            String taggedAddress,
            String note,
            Instant createdAt,
            String createdBy,
            String source,
            Channel channel,
            String campaign,
            String destination) {}

    /** A link with the people and other visits of a period. */
    record Counted(Row link, long people, long visits, long notCounted) {}

    record Listed(List<Counted> rows, long found) {}

    /** Which links are wanted: of a source, of a campaign, to a destination; those that are empty hold back nothing. */
    record Only(Optional<UUID> source, Optional<UUID> campaign, Optional<UUID> destination) {
        public boolean isAll() {
            return source.isEmpty() && campaign.isEmpty() && destination.isEmpty();
        }
    }

    /** The link that a pasted address, with or without scheme, tags or capitals, or a slug alone means. */
    @Transactional(readOnly = true)
    Optional<UUID> findPasted(String pasted) {
        return jdbc.sql("select id from link where slug = ? order by created_at limit 1")
                .param(lastPart(pasted.strip().toLowerCase(Locale.ROOT)))
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
                        .map(one -> lastPart(one.strip().toLowerCase(Locale.ROOT)))
                        .distinct()
                        .toArray(String[]::new))
                .query(row -> {
                    byPlain.put(row.getString(1), row.getString(2));
                });
        Map<String, String> found = new HashMap<>();
        for (String one : pasted) {
            String url = byPlain.get(plain(one));
            if (url != null) {
                found.put(one, url);
            }
        }
        return found;
    }

    /** Host and slug of a pasted link, without scheme, port and tags, in lower case. */
    private static String plain(String pasted) {
        return pasted.strip()
                .toLowerCase(Locale.ROOT)
                .replaceFirst("^[a-z]+://", "")
                .replaceAll("[?#].*$", "")
                .replaceFirst(":\\d+/", "/")
                .replaceAll("/+$", "");
    }

    /** In the order of the identifiers. */
    @Transactional(readOnly = true)
    List<Row> byIds(List<UUID> ids) {
        if (ids.isEmpty()) {
            return List.of();
        }
        return jdbc.sql(LINKS + "where l.id in (:ids)").param("ids", ids).query(LinkQueries::row).list().stream()
                .sorted(Comparator.comparingInt(row -> ids.indexOf(row.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    List<Row> newest(int limit, long offset) {
        return jdbc.sql(LINKS + "order by l.created_at desc, l.id limit :limit offset :offset")
                .param("limit", limit)
                .param("offset", offset)
                .query(LinkQueries::row)
                .list();
    }

    @Transactional(readOnly = true)
    Listed list(String needle, Only only, Period period, ZoneId zone) {
        String sql = """
                with found as (%s where %s
                    and (:source = '{}' or l.source_id = any(cast(:source as uuid[])))
                    and (:campaign = '{}' or l.campaign_id = any(cast(:campaign as uuid[])))
                    and (:destination = '{}' or l.destination_id = any(cast(:destination as uuid[])))),
                counted as materialized (
                    select link_id, count(*) filter (where visits > 0) as people, sum(visits) as visits,
                        sum(not_counted) as not_counted
                    from (
                        select link_id, visitor, count(*) filter (where kind = 'person') as visits,
                            count(*) filter (where kind <> 'person') as not_counted
                        from visit where arrived_at >= :from and arrived_at < :to
                        group by link_id, visitor) by_person
                    group by link_id)
                select f.*, coalesce(people, 0) as people, coalesce(visits, 0) as visits,
                    coalesce(not_counted, 0) as not_counted, count(*) over () as found
                from found f left join counted on counted.link_id = f.id
                order by visits desc, f.created_at desc, f.id
                limit %d
                """.formatted(LINKS, FOUND, PAGE);
        String text = needle.strip().toLowerCase(Locale.ROOT);
        long[] found = {0};
        List<Counted> rows = jdbc.sql(sql)
                .param("needle", text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_"))
                .param("slug", lastPart(text))
                .param("source", array(only.source()))
                .param("campaign", array(only.campaign()))
                .param("destination", array(only.destination()))
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> {
                    found[0] = row.getLong("found");
                    return new Counted(
                            row(row, number), row.getLong("people"), row.getLong("visits"), row.getLong("not_counted"));
                })
                .list();
        return new Listed(rows, found[0]);
    }

    private static String array(Optional<UUID> id) {
        return id.map(one -> "{" + one + "}").orElse("{}");
    }

    /** What the links that are wanted have in common, in words; empty text if nothing. */
    @Transactional(readOnly = true)
    String words(Only only) {
        return jdbc.sql("""
                        select concat_ws(', ',
                            (select 'of ' || name from source where id = any(cast(? as uuid[]))),
                            (select 'in ' || name from campaign where id = any(cast(? as uuid[]))),
                            (select 'to ' || coalesce(nullif(name, ''), address) from destination
                                where id = any(cast(? as uuid[]))))
                        """)
                .params(array(only.source()), array(only.campaign()), array(only.destination()))
                .query(String.class)
                .single();
    }

    private static String lastPart(String pasted) {
        String path = pasted.replaceAll("[?#].*$", "").replaceAll("/+$", "");
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("slug"),
                row.getString("url"),
                row.getString("tagged_address"),
                row.getString("note"),
                row.getTimestamp("created_at").toInstant(),
                row.getString("created_by"),
                row.getString("source"),
                Channel.valueOf(row.getString("channel")),
                row.getString("campaign"),
                row.getString("destination"));
    }
}
