package wendo.app.compare;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.credit.CreditColumns;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of the comparison. */
@Component
class CompareQueries {
    private static final String BY_SOURCE = """
            with visited as materialized (
                select l.source_id, sum(s.visits) as visits
                from visit_sum s join link l on l.id = s.link_id
                where s.day >= :first and s.day < :end and s.kind = 'person'
                group by l.source_id),
            came as materialized (
                select scope_id as source_id, sum(people) as people from visit_person_sum
                where scope = 'source' and day >= :first and day < :end and day_before < :first
                group by scope_id),
            arrived as materialized (
                select stands_for as source_id, count(*) as visits, count(distinct visitor) as people
                from arrival_source
                where arrived_at >= :from and arrived_at < :to and kind = 'person' and origin <> 'direct'
                group by stands_for),
            shared as (
                select c.source_id, o.kind, sum(c.%1$s) as share, sum(c.%2$s) as minor
                from credit c join outcome o on o.id = c.outcome_id
                where %3$s >= :from and %3$s < :to and not o.is_proof
                group by c.source_id, o.kind, o.id
                union all
                select null, o.kind, case when o.counts then 1000000 else 0 end, o.kept_minor
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id)),
            credited as materialized (
                select source_id,
                    coalesce(sum(share) filter (where kind = 'lead'), 0) as leads,
                    coalesce(sum(share) filter (where kind = 'booking'), 0) as bookings,
                    coalesce(sum(share) filter (where kind = 'purchase'), 0) as purchases,
                    coalesce(sum((share / 1e6) ^ 2) filter (where kind = 'lead'), 0) as lead_squares,
                    coalesce(sum((share / 1e6) ^ 2) filter (where kind = 'booking'), 0) as booking_squares,
                    coalesce(sum((share / 1e6) ^ 2) filter (where kind = 'purchase'), 0) as purchase_squares,
                    coalesce(sum(minor) filter (where kind <> 'lead'), 0) as revenue
                from shared group by source_id)
            select s.id, s.name, s.channel,
                coalesce(v.visits, 0) + coalesce(a.visits, 0) as visits,
                coalesce(m.people, 0) + coalesce(a.people, 0) as people, coalesce(k.leads, 0) as leads,
                coalesce(k.bookings, 0) as bookings, coalesce(k.purchases, 0) as purchases,
                coalesce(k.lead_squares, 0) as lead_squares, coalesce(k.booking_squares, 0) as booking_squares,
                coalesce(k.purchase_squares, 0) as purchase_squares, coalesce(k.revenue, 0) as revenue
            from source s
            full join credited k on k.source_id = s.id
            left join visited v on v.source_id = s.id
            left join came m on m.source_id = s.id
            left join arrived a on a.source_id = s.id
            order by s.name nulls last
            """;

    private final JdbcClient jdbc;

    CompareQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Counts of a source; without an id, of what no source is credited with. */
    record Row(
            Optional<UUID> id,
            String name,
            Optional<Channel> channel,
            long visits,
            long people,
            Map<OutcomeKind, Credited> credited,
            long revenueMinor) {}

    List<Row> bySource(Period period, ZoneId zone, CompareChoice choice) {
        return jdbc.sql(BY_SOURCE.formatted(
                        CreditColumns.share(choice.model()),
                        CreditColumns.minor(choice.model()),
                        choice.clock().column()))
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> new Row(
                        Optional.ofNullable(row.getObject("id", UUID.class)),
                        Optional.ofNullable(row.getString("name")).orElse(ComparedSource.UNKNOWN),
                        Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                        row.getLong("visits"),
                        row.getLong("people"),
                        credited(row),
                        row.getLong("revenue")))
                .list();
    }

    private static Map<OutcomeKind, Credited> credited(ResultSet row) throws SQLException {
        Map<OutcomeKind, Credited> credited = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            credited.put(kind, new Credited(row.getLong(kind.key() + "s"), row.getDouble(kind.key() + "_squares")));
        }
        return credited;
    }

    long differentPeople(Period period) {
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
