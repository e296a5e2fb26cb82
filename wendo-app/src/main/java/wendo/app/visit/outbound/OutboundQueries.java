package wendo.app.visit.outbound;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;
import wendo.core.visits.OutgoingPattern;

/** The SQL of outgoing links: those that people followed. Of several patterns that match one, the longest counts it. */
@Component
class OutboundQueries {
    static final int CHECKED_DAYS = 30;
    private static final int SHOWN = 200;
    private static final int SHOWN_ADDRESSES = 20;

    private static final String CLICKS = """
            with clicks as materialized (
                select page, target, visitor, clicked_at from outbound_click
                where clicked_at >= :from and clicked_at < :to and kind = 'person'),
            matches as materialized (
                select t.target, (
                    select p.id from outbound_pattern p
                    where t.target like p.likes or t.target like p.likes || '/%' or t.target like p.likes || '?%'
                    order by length(p.pattern) desc, p.pattern limit 1) as pattern_id
                from (select distinct target from clicks) t)
            """;

    static final String MATCHED = CLICKS + """
            , matched as materialized (
                select c.*, m.pattern_id from clicks c join matches m on m.target = c.target
                where m.pattern_id is not null)
            """;

    private final JdbcClient jdbc;
    private final Clock clock;

    OutboundQueries(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What people followed from one page by one pattern. */
    record Cell(String page, UUID pattern, long clicks, long people) {}

    /** An address that people followed. */
    record Followed(String target, long clicks) {}

    /** What a pattern would have matched. */
    record Trial(long all, long matched, long countedAlready, List<Followed> addresses) {}

    @Transactional(readOnly = true)
    List<Cell> byPage(Period period, ZoneId zone) {
        return within(MATCHED + """
                        select page, pattern_id, count(*), count(distinct visitor) from matched
                        group by 1, 2 order by 1, 3 desc
                        """, period.startsAt(zone), period.endsBefore(zone))
                .query((row, number) ->
                        new Cell(row.getString(1), row.getObject(2, UUID.class), row.getLong(3), row.getLong(4)))
                .list();
    }

    /** Where people went that no pattern counts, most followed first. */
    @Transactional(readOnly = true)
    List<Followed> uncounted(Period period, ZoneId zone) {
        return within(CLICKS + """
                        select c.target, count(*) from clicks c join matches m on m.target = c.target
                        where m.pattern_id is null group by 1 order by 2 desc, 1 limit %d
                        """.formatted(SHOWN_ADDRESSES), period.startsAt(zone), period.endsBefore(zone))
                .query((row, number) -> new Followed(row.getString(1), row.getLong(2)))
                .list();
    }

    /** Holds a pattern against what was followed within the last 30 days. */
    @Transactional(readOnly = true)
    Trial check(OutgoingPattern pattern) {
        Instant now = clock.instant();
        String mine = "(c.target like :likes or c.target like :likes || '/%' or c.target like :likes || '?%')";
        List<Followed> addresses = within(
                        CLICKS + """
                        select c.target, count(*) from clicks c where %s group by 1 order by 2 desc, 1 limit %d
                        """.formatted(mine, SHOWN), now.minusSeconds(CHECKED_DAYS * 86_400L), now)
                .param("likes", pattern.like())
                .query((row, number) -> new Followed(row.getString(1), row.getLong(2)))
                .list();
        return within(CLICKS + """
                        select count(*), count(*) filter (where %1$s), count(*) filter (where %1$s and m.pattern_id is not null)
                        from clicks c join matches m on m.target = c.target
                        """.formatted(mine), now.minusSeconds(CHECKED_DAYS * 86_400L), now)
                .param("likes", pattern.like())
                .query((row, number) -> new Trial(row.getLong(1), row.getLong(2), row.getLong(3), addresses))
                .single();
    }

    private JdbcClient.StatementSpec within(String sql, Instant from, Instant to) {
        return jdbc.sql(sql).param("from", Timestamp.from(from)).param("to", Timestamp.from(to));
    }
}
