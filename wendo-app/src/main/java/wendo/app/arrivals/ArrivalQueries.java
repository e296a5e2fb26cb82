package wendo.app.arrivals;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
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

    /** One way over the arrivals; what is summed up by person once is counted by page, by origin and in all. */
    private static final String ARRIVED = """
            with seen as materialized (
                select origin, referrer, referrer_host, stands_for, visitor, kind = 'person' as counts, count(*) as arrivals,
                    max(arrived_at) as latest
                from arrival_source where arrived_at >= :from and arrived_at < :to group by 1, 2, 3, 4, 5, 6),
            pages as (
                select origin, referrer, referrer_host, stands_for, count(*) as people, sum(arrivals) as arrivals,
                    max(latest) as latest
                from seen where counts and origin <> 'direct' group by 1, 2, 3, 4
                order by people desc, latest desc, referrer limit :shown)
            select 'page' as what, p.*, s.name, s.channel from pages p left join source s on s.id = p.stands_for
            union all
            select 'origin', origin, '', '', null, count(*), sum(arrivals), null, null, null
            from (select origin, visitor, sum(arrivals) as arrivals from seen where counts group by 1, 2) by_person
            group by origin
            union all
            select 'all', '', '', '', null, count(*), 0, null, null, null
            from (select distinct visitor from seen where counts) everybody
            union all
            select 'left out', '', '', '', null, 0, coalesce(sum(arrivals), 0), null, null, null from seen where not counts
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
    Arrived arrived(Period period, ZoneId zone) {
        jdbc.sql("select set_config('work_mem', '64MB', true)").query(row -> {}); // who came by what is held at once
        List<ByOrigin> origins = new ArrayList<>();
        List<Page> pages = new ArrayList<>();
        long[] all = new long[2];
        jdbc.sql(ARRIVED)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
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
