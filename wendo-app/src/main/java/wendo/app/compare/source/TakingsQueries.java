package wendo.app.compare.source;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.compare.sql.ClockColumn;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSql;
import wendo.app.compare.sql.RevenueSql;
import wendo.app.compare.table.ComparedRow;
import wendo.app.credit.CreditColumns;
import wendo.core.measure.Period;

/** The SQL of what came back to a group: by person, by day, and from how many new customers. */
@Component
class TakingsQueries {
    private static final String CREDITED = """
            from %5$s join outcome o on o.id = c.outcome_id %1$s
            %2$s
            where %3$s >= :from and %3$s < :to and o.kind <> 'lead' and not o.is_proof and %4$s = :key
            """;

    /** An outcome whose person is unknown counts as a person of its own. */
    private static final String PEOPLE = """
            left join trail t on t.outcome_id = o.id left join identity i on i.id = t.identity_id
            """;

    /** Ordered, so that resamples with a fixed seed are the same each time. */
    private static final String PAYERS = """
            select sum(c.%1$s), sum(c.%2$s) / 1e6 %3$s
            group by coalesce(i.person, o.id) having sum(c.%1$s) <> 0 or sum(c.%2$s) > 0 order by 1, 2
            """;

    private static final String DAYS = """
            select (%1$s at time zone :zone)::date, sum(c.%2$s) %3$s group by 1
            """;

    private static final String CUSTOMERS = """
            with bought as (
                select o.id, o.occurred_at, i.person, sum(c.%1$s) as share %2$s and o.counts
                group by o.id, o.occurred_at, i.person)
            select coalesce(sum(b.share), 0), coalesce(sum((b.share / 1e6) ^ 2), 0)
            from bought b
            where not exists (
                select from identity i join trail t on t.identity_id = i.id join outcome o on o.id = t.outcome_id
                where i.person = b.person and o.kind <> 'lead' and o.counts and not o.is_proof
                    and (o.occurred_at, o.id) < (b.occurred_at, b.id))
            """;

    private final JdbcClient jdbc;

    TakingsQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What each person who paid brought, in minor units, and by how many orders. */
    record Payer(long minor, double orders) {}

    @Transactional(readOnly = true)
    List<Payer> payers(ComparedRow row, Period period, ZoneId zone, CompareChoice choice) {
        String sql = PAYERS.formatted(
                RevenueSql.of(choice).minor(), CreditColumns.share(choice.model()), credited(choice, PEOPLE));
        return asked(sql, row, period, zone)
                .query((found, number) -> new Payer(found.getLong(1), found.getDouble(2)))
                .list();
    }

    /** What came on each day, less what was taken back, in minor units. */
    @Transactional(readOnly = true)
    SortedMap<LocalDate, Long> byDay(ComparedRow row, Period period, ZoneId zone, CompareChoice choice) {
        SortedMap<LocalDate, Long> days = new TreeMap<>();
        String sql = DAYS.formatted(
                ClockColumn.of(choice.clock()), RevenueSql.of(choice).minor(), credited(choice, ""));
        asked(sql, row, period, zone).query(found -> {
            days.put(found.getObject(1, LocalDate.class), found.getLong(2));
        });
        return days;
    }

    /** Bookings and purchases that were their person's first. */
    @Transactional(readOnly = true)
    Credited newCustomers(ComparedRow row, Period period, ZoneId zone, CompareChoice choice) {
        String sql = CUSTOMERS.formatted(CreditColumns.share(choice.model()), credited(choice, PEOPLE));
        return asked(sql, row, period, zone)
                .query((found, number) -> new Credited(found.getLong(1), found.getDouble(2), 0))
                .single();
    }

    private static String credited(CompareChoice choice, String people) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        return CREDITED.formatted(
                group.creditJoin(),
                people,
                clock,
                group.creditKey(),
                RevenueSql.of(choice).credit());
    }

    private JdbcClient.StatementSpec asked(String sql, ComparedRow row, Period period, ZoneId zone) {
        return CompareQueries.within(jdbc.sql(sql), period, zone).param("key", row.key());
    }
}
