package wendo.app.compare.experiments;

import java.sql.Timestamp;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;
import wendo.core.measure.Takings;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of split tests. */
@Component
class SplitQueries {
    /**
     * Whoever came by a link that is split, by the page that they were led to first. A person counts once, however often
     * they came.
     */
    private static final String WENT = """
            with split as (
                select l.id, l.name, l.destination_id as own, b.destination_id, b.place
                from link l cross join lateral (
                    select l.destination_id, 0 as place
                    union all
                    select destination_id, place + 1 from link_branch where link_id = l.id and share > 0) b
                where exists (select from link_branch where link_id = l.id and share > 0)),
            went as (
                select distinct on (v.link_id, v.visitor) v.link_id, v.visitor, v.destination_id
                from visit v
                where v.link_id in (select id from split) and v.kind = 'person' and v.arrived_at >= :from and v.arrived_at < :to
                order by v.link_id, v.visitor, v.arrived_at)
            """;

    /** And whether they had an outcome that the link's touch brought. */
    private static final String WAYS = WENT + """
            , acted as (
                select distinct v.link_id, v.visitor
                from credit c join outcome o on o.id = c.outcome_id
                join visit v on v.click_id = c.click_id and v.arrived_at = click_time(c.click_id)
                where c.link_id in (select id from split) and c.entry = 0 and c.last_non_direct_share > 0
                    and o.kind = :kind and o.counts and not o.is_proof)
            select s.id, s.name, d.address, s.place, count(w.visitor) as people,
                count(a.visitor) as acted
            from split s join destination d on d.id = s.destination_id
            left join went w on w.link_id = s.id and w.destination_id = s.destination_id
            left join acted a on a.link_id = w.link_id and a.visitor = w.visitor
            group by s.id, s.name, d.address, s.place order by s.name, s.id, s.place
            """;

    private final JdbcClient jdbc;

    SplitQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The same people, and what networks approved or paid for what they did. */
    private static final String EARNED = WENT + """
            , earned as (
                select v.link_id, v.visitor, sum(i.commission_minor) as minor
                from credit c join outcome o on o.id = c.outcome_id and not o.is_proof
                join income i on i.id = o.id and i.state in ('approved', 'paid')
                join visit v on v.click_id = c.click_id and v.arrived_at = click_time(c.click_id)
                where c.link_id in (select id from split) and c.entry = 0 and c.last_non_direct_share > 0
                group by 1, 2)
            select s.id, s.name, d.address, s.place, count(w.visitor),
                coalesce(array_agg(e.minor::bigint) filter (where e.minor > 0), '{}')
            from split s join destination d on d.id = s.destination_id
            left join went w on w.link_id = s.id and w.destination_id = s.destination_id
            left join earned e on e.link_id = w.link_id and e.visitor = w.visitor
            group by s.id, s.name, d.address, s.place order by s.name, s.id, s.place
            """;

    /** A page, and what each of its people that earned something did. */
    record EarningWay(UUID link, String name, String address, Takings takings) {}

    @Transactional(readOnly = true)
    List<EarningWay> earning(Period period, ZoneId zone) {
        return jdbc.sql(EARNED)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> new EarningWay(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        new Takings(
                                row.getLong(5), List.of((Long[]) row.getArray(6).getArray()))))
                .list();
    }

    /** A page that a part of a link's people was led to; the link's own first. */
    record Way(UUID link, String name, String address, long people, long acted) {}

    @Transactional(readOnly = true)
    List<Way> ways(Period period, ZoneId zone, OutcomeKind kind) {
        return jdbc.sql(WAYS)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("kind", kind.key())
                .query((row, number) -> new Way(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getLong(5),
                        row.getLong(6)))
                .list();
    }
}
