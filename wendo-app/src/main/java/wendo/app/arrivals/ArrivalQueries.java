package wendo.app.arrivals;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
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

    private static final String ARRIVALS = """
            with arrived as materialized (
                select * from arrival_source where arrived_at >= :from and arrived_at < :to)
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

    @Transactional(readOnly = true)
    List<ByOrigin> byOrigin(Period period, ZoneId zone) {
        return within(period, zone, """
                        select origin, count(distinct visitor), count(*) from arrived where kind = 'person'
                        group by origin order by 2 desc, 1
                        """)
                .query((row, number) -> new ByOrigin(Origin.of(row.getString(1)), row.getLong(2), row.getLong(3)))
                .list();
    }

    /** People are who came in the period, each once, whatever led them here. */
    @Transactional(readOnly = true)
    long people(Period period, ZoneId zone) {
        return within(period, zone, "select count(distinct visitor) from arrived where kind = 'person'")
                .query(Long.class)
                .single();
    }

    /** Arrivals that are left out: robots, previews and repeats. */
    @Transactional(readOnly = true)
    long leftOut(Period period, ZoneId zone) {
        return within(period, zone, "select count(*) from arrived where kind <> 'person'")
                .query(Long.class)
                .single();
    }

    @Transactional(readOnly = true)
    List<Page> pages(Period period, ZoneId zone) {
        return within(period, zone, """
                        select a.referrer, a.referrer_host, a.origin, a.people, a.latest, s.id, s.name, s.channel
                        from (
                            select referrer, referrer_host, origin, stands_for, count(distinct visitor) as people,
                                max(arrived_at) as latest
                            from arrived where kind = 'person' and origin <> 'direct'
                            group by 1, 2, 3, 4) a
                        left join source s on s.id = a.stands_for
                        order by a.people desc, a.latest desc limit :shown
                        """)
                .param("shown", SHOWN)
                .query((row, number) -> new Page(
                        row.getString(1),
                        row.getString(2),
                        Origin.of(row.getString(3)),
                        row.getLong(4),
                        row.getTimestamp(5).toInstant(),
                        Optional.ofNullable(row.getObject(6, UUID.class)),
                        Optional.ofNullable(row.getString(7)),
                        Optional.ofNullable(row.getString(8)).map(Channel::valueOf)))
                .list();
    }

    private JdbcClient.StatementSpec within(Period period, ZoneId zone, String sql) {
        return jdbc.sql(ARRIVALS + sql)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)));
    }
}
