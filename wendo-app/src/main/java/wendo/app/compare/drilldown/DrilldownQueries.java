package wendo.app.compare.drilldown;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.compare.sql.ClockColumn;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSql;
import wendo.app.compare.sql.RevenueSql;
import wendo.app.compare.table.CompareContext;
import wendo.app.credit.CreditColumns;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of the outcomes that stand behind a number of the comparison, with their shares. */
@Component
class DrilldownQueries {
    static final int PAGE = 100;

    /** The key for all groups selects everything; each row also carries the number and the sum of all rows. */
    private static final String OUTCOMES = """
            with shared as (
                select %1$s as key, o.id, sum(c.%2$s) as share, sum(c.%3$s) as minor, bool_or(c.%2$s <> 0) as is_shared
                from %7$s join outcome o on o.id = c.outcome_id %4$s
                where %5$s >= :from and %5$s < :to and o.kind = any(:kinds) and not o.is_proof
                group by 1, o.id
                union all
                select %6$s, o.id, case when o.counts then 1000000 else 0 end, %8$s, true
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = any(:kinds) and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id)),
            chosen as (
                select id, sum(share) as share, sum(minor) as minor from shared
                where is_shared and (key = :key or :key = 'all') group by id)
            select o.id, o.kind, o.reference, o.occurred_at, o.status, o.kept_minor, c.share, c.minor,
                count(*) over (), sum(c.share) over (), sum(c.minor) over ()
            from chosen c join outcome o on o.id = c.id
            order by o.occurred_at desc, o.id limit :limit offset :offset
            """;

    private final JdbcClient jdbc;

    DrilldownQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What a group has of an outcome: millionths of it and of its value, after what was taken back. */
    record Part(
            UUID outcome,
            OutcomeKind kind,
            String reference,
            Instant occurredAt,
            String status,
            long keptMinor,
            long millionths,
            long minor) {}

    /** A page of outcomes, and how many there are on all pages, with their sum. */
    record Parts(List<Part> page, long all, Credited sum) {}

    private record Summed(Part row, long all, Credited sum) {}

    @Transactional(readOnly = true)
    Parts outcomes(String key, List<OutcomeKind> kinds, CompareContext context, int page) {
        CompareChoice choice = context.look();
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        String sql = OUTCOMES.formatted(
                group.creditKey(),
                CreditColumns.share(choice.model()),
                RevenueSql.of(choice).minor(),
                group.creditJoin(),
                clock,
                group.unjoinedKey(),
                RevenueSql.of(choice).credit(),
                RevenueSql.of(choice).unjoined());
        List<Summed> found = CompareQueries.within(jdbc.sql(sql), context.period(), context.zone())
                .param("key", key)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .param("kinds", kinds.stream().map(OutcomeKind::key).toArray(String[]::new))
                .query((row, number) ->
                        new Summed(part(row), row.getLong(9), new Credited(row.getLong(10), 0, row.getLong(11))))
                .list();
        return new Parts(
                found.stream().map(Summed::row).toList(),
                found.isEmpty() ? 0 : found.get(0).all(),
                found.isEmpty() ? Credited.none() : found.get(0).sum());
    }

    private static Part part(ResultSet row) throws SQLException {
        return new Part(
                row.getObject(1, UUID.class),
                OutcomeKind.find(row.getString(2)).orElseThrow(),
                row.getString(3),
                row.getTimestamp(4).toInstant(),
                row.getString(5),
                row.getLong(6),
                row.getLong(7),
                row.getLong(8));
    }
}
