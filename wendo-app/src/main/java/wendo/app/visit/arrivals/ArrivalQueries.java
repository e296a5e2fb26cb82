package wendo.app.visit.arrivals;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.visits.Origin;

/** The SQL of arrivals without a link. People only; what looked automatic is counted apart. */
@Component
class ArrivalQueries {
    static final int SHOWN = 100;

    /**
     * The source of a page is looked up now, because since its arrival a website may have been assigned to a source, or
     * sources merged.
     */
    private static final String ARRIVED = """
            with arrived as materialized (
                select page_id, is_person, sum(arrivals) as arrivals, max(latest) as latest
                from arrival_page_sum where day >= :first and day <= :last group by 1, 2),
            people as materialized (
                select scope, scope_id, sum(people) as people from arrival_person_sum
                where scope in ('anyone', 'origin', 'page') and day >= :first and day <= :last and day_before < :first
                group by 1, 2),
            pages as (
                select p.origin, p.referrer, p.referrer_host,
                    coalesce(case when p.origin <> 'tagged' then c.source_id end, t.merged_into, t.id) as stands_for,
                    sum(w.people) as people, sum(a.arrivals) as arrivals, max(a.latest) as latest
                from people w
                join arrival_page p on p.id = w.scope_id
                join arrived a on a.page_id = p.id and a.is_person
                left join source_clue c on c.kind = 'referrer' and c.key = p.referrer_host
                left join source t on t.id = p.source_id
                where w.scope = 'page' group by 1, 2, 3, 4
                order by people desc, latest desc, referrer limit :shown)
            select 'page' as what, p.*, s.name, s.channel from pages p left join source s on s.id = p.stands_for
            union all
            select 'origin', p.origin, '', '', null, coalesce(max(w.people), 0), sum(a.arrivals), null, null, null
            from arrived a join arrival_page p on p.id = a.page_id
            left join people w on w.scope = 'origin' and w.scope_id = md5(p.origin)::uuid
            where a.is_person group by p.origin
            union all
            select 'all', '', '', '', null, people, 0, null, null, null from people where scope = 'anyone'
            union all
            select 'left out', '', '', '', null, 0, coalesce(sum(arrivals), 0), null, null, null
            from arrived where not is_person
            order by what, people desc, latest desc, origin
            """;

    private final JdbcClient jdbc;

    ArrivalQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record ByOrigin(Origin origin, long people, long arrivals) {}

    /** @param referrer in full as the browser told it */
    record Page(
            String referrer,
            String host,
            Origin origin,
            long people,
            Instant latest,
            Optional<UUID> sourceId,
            Optional<String> source,
            Optional<Channel> channel) {}

    /**
     * Who came without a link.
     *
     * @param people who came in the period, each once, whatever led them here
     * @param leftOut arrivals of robots, previews and repeats
     * @param pages that most people came by
     */
    record Arrived(long people, long leftOut, List<ByOrigin> origins, List<Page> pages) {}

    @Transactional(readOnly = true)
    Arrived arrived(Period period) {
        List<ByOrigin> origins = new ArrayList<>();
        List<Page> pages = new ArrayList<>();
        long[] all = new long[2];
        jdbc.sql(ARRIVED)
                .param("first", period.startInclusive())
                .param("last", period.lastDay())
                .param("shown", SHOWN)
                .query(row -> {
                    switch (row.getString("what")) {
                        case "page" -> pages.add(page(row));
                        case "origin" ->
                            origins.add(new ByOrigin(
                                    Origin.of(row.getString("origin")),
                                    row.getLong("people"),
                                    row.getLong("arrivals")));
                        case "all" -> all[0] = row.getLong("people");
                        default -> all[1] = row.getLong("arrivals");
                    }
                });
        return new Arrived(all[0], all[1], List.copyOf(origins), List.copyOf(pages));
    }

    private static Page page(ResultSet row) throws SQLException {
        return new Page(
                row.getString("referrer"),
                row.getString("referrer_host"),
                Origin.of(row.getString("origin")),
                row.getLong("people"),
                row.getTimestamp("latest").toInstant(),
                Optional.ofNullable(row.getObject("stands_for", UUID.class)),
                Optional.ofNullable(row.getString("name")),
                Optional.ofNullable(row.getString("channel")).map(Channel::valueOf));
    }
}
