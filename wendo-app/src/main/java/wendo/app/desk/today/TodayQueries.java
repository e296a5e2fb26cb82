package wendo.app.desk.today;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.measure.Period;

/** The SQL of Today. */
@Component
class TodayQueries {
    private static final int ARRIVALS = 14;

    private final JdbcClient jdbc;

    TodayQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What a stretch of days brought. */
    record Brought(long people, long leads, long bookings, long purchases, long revenueMinor) {
        boolean isEmpty() {
            return people + leads + bookings + purchases == 0;
        }
    }

    /** Somebody came, or something was reported. {@code what} is visit, lead, booking or purchase. */
    record Arrival(
            Instant at,
            String what,
            Optional<String> source,
            Optional<Channel> channel,
            String detail,
            long valueMinor) {}

    /** Something that needs a person. */
    record Wanting(String id, String name, long number) {}

    /** A link that nobody has opened. */
    record Unvisited(String id, String name, Optional<LocalDate> placedOn) {}

    @Transactional(readOnly = true)
    Brought brought(Period period, ZoneId zone) {
        return jdbc.sql("""
                        select
                            (select coalesce(sum(people), 0) from visit_person_sum
                                where scope = 'business' and day >= :first and day < :end and day_before < :first),
                            count(*) filter (where kind = 'lead'),
                            count(*) filter (where kind = 'booking'),
                            count(*) filter (where kind = 'purchase'),
                            coalesce(sum(kept_minor) filter (where kind <> 'lead'), 0)
                        from outcome where occurred_at >= :from and occurred_at < :to and not is_proof and counts
                        """)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) ->
                        new Brought(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4), row.getLong(5)))
                .single();
    }

    /** Whole weeks before a day, the newest first; within a week a person counts once. */
    @Transactional(readOnly = true)
    List<Brought> weeks(LocalDate end, ZoneId zone) {
        return jdbc.sql("""
                        with weeks as (
                            select n, :end::date - 7 * (n + 1) as first, :end::date - 7 * n as until
                            from generate_series(0, 7) n)
                        select
                            (select coalesce(sum(p.people), 0) from visit_person_sum p where p.scope = 'business'
                                and p.day >= w.first and p.day < w.until and p.day_before < w.first),
                            count(o.kind) filter (where o.kind = 'lead'),
                            count(o.kind) filter (where o.kind = 'booking'),
                            count(o.kind) filter (where o.kind = 'purchase'),
                            coalesce(sum(o.kept_minor) filter (where o.kind <> 'lead'), 0)
                        from weeks w
                        left join outcome o on o.occurred_at >= w.first::timestamp at time zone :zone
                            and o.occurred_at < w.until::timestamp at time zone :zone and not o.is_proof and o.counts
                        group by w.n, w.first, w.until order by w.n
                        """)
                .param("end", end)
                .param("zone", zone.getId())
                .query((row, number) ->
                        new Brought(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4), row.getLong(5)))
                .list();
    }

    /** The newest. The limit is part of the text, not a parameter, so that the planner knows it is small. */
    @Transactional(readOnly = true)
    List<Arrival> arrivals() {
        return jdbc.sql("""
                        select * from (
                            (select v.arrived_at as at, 'visit' as what, s.name, s.channel, l.name as detail, 0 as value
                            from (select arrived_at, source_id, link_id from visit
                                where kind = 'person' order by arrived_at desc limit %1$d) v
                            join source s on s.id = v.source_id join link l on l.id = v.link_id)
                            union all
                            (select o.occurred_at, o.kind, s.name, s.channel, o.reference, o.value_minor
                            from outcome o
                            left join outcome_source c on c.outcome_id = o.id
                            left join source s on s.id = c.source_id
                            where not o.is_proof order by o.occurred_at desc limit %1$d)
                        ) arrivals order by at desc, what limit %1$d
                        """.formatted(ARRIVALS))
                .query((row, number) -> new Arrival(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        Optional.ofNullable(row.getString(3)),
                        Optional.ofNullable(row.getString(4)).map(Channel::valueOf),
                        row.getString(5),
                        row.getLong(6)))
                .list();
    }

    /** Links that nobody has opened: those placed before today, and those issued before an instant. */
    @Transactional(readOnly = true)
    List<Unvisited> neverVisited(Instant issuedBefore, LocalDate today) {
        return jdbc.sql("""
                        select l.id, l.name, p.placed_on
                        from link l
                        left join lateral (select min(placed_on) as placed_on from placement where link_id = l.id) p on true
                        where l.archived_at is null and (p.placed_on < ? or l.created_at < ?)
                            and not exists (select from visit_sum v where v.link_id = l.id)
                        order by p.placed_on nulls last, l.created_at, l.name, l.id limit 5
                        """)
                .params(today, Timestamp.from(issuedBefore))
                .query((row, number) -> new Unvisited(
                        row.getString(1), row.getString(2), Optional.ofNullable(row.getObject(3, LocalDate.class))))
                .list();
    }

    /** Pages that links lead to and that do not answer, most links first. */
    @Transactional(readOnly = true)
    List<Wanting> failingDestinations() {
        return jdbc.sql("""
                        select d.id, d.address, count(l.id) as links
                        from destination d join link l on l.destination_id = d.id and l.archived_at is null
                        where d.failing_since is not null group by d.id, d.address order by links desc, d.address limit 5
                        """)
                .query((row, number) -> new Wanting(row.getString(1), row.getString(2), row.getLong(3)))
                .list();
    }

    /** Outcomes since a day that nothing joins to a source. */
    @Transactional(readOnly = true)
    long unjoinedSince(LocalDate day, ZoneId zone) {
        return jdbc.sql("""
                        select count(*) from outcome o
                        where o.occurred_at >= ? and not o.is_proof and o.counts
                            and not exists (select from outcome_source c where c.outcome_id = o.id)
                        """)
                .param(Timestamp.from(day.atStartOfDay(zone).toInstant()))
                .query(Long.class)
                .single();
    }

    /** Open leads that nobody has. */
    @Transactional(readOnly = true)
    long leadsOfNobody() {
        return jdbc.sql(
                        "select count(*) from lead where owner_id is null and stage in ('new', 'quoted') and handed_at is not null")
                .query(Long.class)
                .single();
    }

    /** Those who would like to be partners and wait for an answer. */
    @Transactional(readOnly = true)
    long registrations() {
        return jdbc.sql("select count(*) from partner_registration where state = 'waiting'")
                .query(Long.class)
                .single();
    }

    /** A partner who waits for an answer, by what it claims and asks. */
    record Asking(UUID id, String name, long claims, long messages) {}

    @Transactional(readOnly = true)
    List<Asking> askingPartners() {
        return jdbc.sql("""
                        select p.id, s.name, coalesce(c.number, 0), coalesce(m.number, 0)
                        from partner p join source s on s.id = p.id
                        left join (select partner_id, count(*) as number from partner_claim where state = 'open' group by 1) c
                            on c.partner_id = p.id
                        left join (select partner_id, count(*) as number from partner_message
                            where from_partner and read_at is null group by 1) m on m.partner_id = p.id
                        where c.number > 0 or m.number > 0 order by s.name limit 5
                        """)
                .query((row, number) ->
                        new Asking(row.getObject(1, UUID.class), row.getString(2), row.getLong(3), row.getLong(4)))
                .list();
    }

    /** Different codes that came with outcomes and stand for no source. */
    @Transactional(readOnly = true)
    long codesOfNothing() {
        return jdbc.sql("""
                        select count(distinct o.code_key) from outcome_clue c join outcome o on o.id = c.outcome_id
                        where c.source_id is null and c.evidence = 'code' and not o.is_proof
                        """).query(Long.class).single();
    }
}
