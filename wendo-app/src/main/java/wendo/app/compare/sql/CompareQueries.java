package wendo.app.compare.sql;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.credit.CreditColumns;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of the comparison. */
@Component
public class CompareQueries {
    /** The groups with most outcomes and visits have a row each; the others share one. */
    static final int MOST_ROWS = 200;

    private static final String BY_GROUP = """
            with visited as materialized (select %1$s as key, sum(v.visits) as visits from %2$s group by 1),
            came as materialized (%3$s),
            arrived as materialized (
                select key, sum(visits) as visits, sum(people) as people from (%4$s) a group by 1),
            shared as (
                select %5$s as key, o.kind, sum(c.%6$s) as share, sum(c.%7$s) as minor,
                    sum(case when c.how = 'given' then 0 else c.%6$s end) as rated
                from %16$s join outcome o on o.id = c.outcome_id %8$s
                where %9$s >= :from and %9$s < :to and not o.is_proof
                group by 1, o.kind, o.id
                union all
                select %10$s, o.kind, case when o.counts then 1000000 else 0 end, %17$s, 0
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id)),
            credited as materialized (select key, %11$s from shared group by key),
            named as (%12$s),
            figures as (
                select key, n.name, n.channel, coalesce(v.visits, 0) + coalesce(a.visits, 0) as visits,
                    coalesce(m.people, 0) + coalesce(a.people, 0) as people, %13$s
                from visited v full join came m using (key) full join arrived a using (key)
                full join credited k using (key) %14$s join named n using (key)),
            placed as (
                select *, row_number() over (
                    order by lead_share + booking_share + purchase_share desc, visits desc, key) as place
                from figures)
            select case when place <= :most or key in ('unknown', 'none') then key else 'others' end as key,
                min(name) as name, min(channel) as channel, sum(visits) as visits, sum(people) as people, %15$s
            from placed group by 1
            """;

    private final JdbcClient jdbc;

    public CompareQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Counts of a group; the name is what is stored, if the group has one. */
    public record Row(
            String key,
            Optional<String> name,
            Optional<Channel> channel,
            long visits,
            long people,
            Map<OutcomeKind, Credited> credited,
            Map<OutcomeKind, Long> rated) {}

    public List<Row> byGroup(Period period, ZoneId zone, CompareChoice choice) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        RevenueSql revenue = RevenueSql.of(choice);
        String sql = BY_GROUP.formatted(
                group.visitKey(),
                group.visits(),
                group.people(),
                group.arrivals(),
                group.creditKey(),
                CreditColumns.share(choice.model()),
                revenue.minor(),
                group.creditJoin(),
                clock,
                group.unjoinedKey(),
                each("""
                        coalesce(sum(share) filter (where kind = '%1$s'), 0) as %1$s_share,
                        coalesce(sum((share / 1e6) ^ 2) filter (where kind = '%1$s'), 0) as %1$s_squares,
                        coalesce(sum(rated) filter (where kind = '%1$s'), 0) as %1$s_rated,
                        coalesce(sum(minor) filter (where kind = '%1$s'), 0) as %1$s_minor"""),
                group.named(),
                each("""
                        coalesce(k.%1$s_share, 0) as %1$s_share, coalesce(k.%1$s_squares, 0) as %1$s_squares,
                        coalesce(k.%1$s_rated, 0) as %1$s_rated, coalesce(k.%1$s_minor, 0) as %1$s_minor"""),
                choice.grouping() == Grouping.SOURCE ? "full" : "left",
                each("sum(%1$s_share) as %1$s_share, sum(%1$s_squares) as %1$s_squares, sum(%1$s_rated) as %1$s_rated, "
                        + "sum(%1$s_minor) as %1$s_minor"),
                revenue.credit(),
                revenue.unjoined());
        return within(jdbc.sql(sql), period, zone)
                .param("most", MOST_ROWS)
                .query((row, number) -> new Row(
                        row.getString("key"),
                        Optional.ofNullable(row.getString("name")),
                        Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                        row.getLong("visits"),
                        row.getLong("people"),
                        credited(row),
                        rated(row)))
                .list();
    }

    private static String each(String columns) {
        return Arrays.stream(OutcomeKind.values())
                .map(kind -> columns.formatted(kind.key()))
                .collect(Collectors.joining(", "));
    }

    /** The parameters that every comparison's SQL knows. */
    public static JdbcClient.StatementSpec within(JdbcClient.StatementSpec statement, Period period, ZoneId zone) {
        return statement
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("zone", zone.getId());
    }

    private static Map<OutcomeKind, Credited> credited(ResultSet row) throws SQLException {
        Map<OutcomeKind, Credited> credited = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            credited.put(
                    kind,
                    new Credited(
                            row.getLong(kind.key() + "_share"),
                            row.getDouble(kind.key() + "_squares"),
                            row.getLong(kind.key() + "_minor")));
        }
        return credited;
    }

    /** Millionths of outcomes that were earned by touches of the people who are counted, by visit or arrival. */
    private static Map<OutcomeKind, Long> rated(ResultSet row) throws SQLException {
        Map<OutcomeKind, Long> rated = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            rated.put(kind, row.getLong(kind.key() + "_rated"));
        }
        return rated;
    }

    /** Whether any network that pays has reported something. */
    @Transactional(readOnly = true)
    public boolean hasIncome() {
        return jdbc.sql("select exists (select from income)")
                .query(Boolean.class)
                .single();
    }

    public long differentPeople(Period period) {
        return jdbc.sql("""
                        select coalesce(sum(people), 0) from visit_person_sum
                        where scope = 'business' and day >= :first and day < :end and day_before < :first
                        """)
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .query(Long.class)
                .single();
    }
}
