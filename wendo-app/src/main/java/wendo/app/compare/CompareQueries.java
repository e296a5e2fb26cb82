package wendo.app.compare;

import java.sql.Timestamp;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.links.Channel;
import wendo.core.measure.Period;

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
            credited as materialized (
                select c.source_id,
                    sum(coalesce(c.share_millionths, 1000000)) filter (where o.kind = 'lead') / 1000000 as leads,
                    sum(coalesce(c.share_millionths, 1000000)) filter (where o.kind = 'booking') / 1000000 as bookings,
                    sum(coalesce(c.share_millionths, 1000000)) filter (where o.kind = 'purchase') / 1000000 as purchases,
                    sum(coalesce(c.value_minor, o.kept_minor)) filter (where o.kind <> 'lead') as revenue
                from outcome o left join credit c on c.outcome_id = o.id and c.model = :model
                where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof and o.counts
                group by c.source_id)
            select s.id, s.name, s.channel,
                coalesce(v.visits, 0) + coalesce(a.visits, 0) as visits,
                coalesce(m.people, 0) + coalesce(a.people, 0) as people, coalesce(k.leads, 0) as leads,
                coalesce(k.bookings, 0) as bookings, coalesce(k.purchases, 0) as purchases,
                coalesce(k.revenue, 0) as revenue
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
            long leads,
            long bookings,
            long purchases,
            long revenueMinor) {}

    List<Row> bySource(Period period, ZoneId zone, String model) {
        return jdbc.sql(BY_SOURCE)
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("model", model)
                .query((row, number) -> new Row(
                        Optional.ofNullable(row.getObject("id", UUID.class)),
                        Optional.ofNullable(row.getString("name")).orElse(ComparedSource.UNKNOWN),
                        Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                        row.getLong("visits"),
                        row.getLong("people"),
                        row.getLong("leads"),
                        row.getLong("bookings"),
                        row.getLong("purchases"),
                        row.getLong("revenue")))
                .list();
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
