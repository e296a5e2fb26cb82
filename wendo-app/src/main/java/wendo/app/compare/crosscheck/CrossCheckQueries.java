package wendo.app.compare.crosscheck;

import java.sql.ResultSet;
import java.sql.SQLException;
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

/**
 * The SQL of cross-checks. Held against each other are the days that the other system told of; outcomes near them are found
 * first, with a day to spare on either side for any time zone.
 */
@Component
class CrossCheckQueries {
    private static final String CHECKS = """
            select k.id, coalesce(k.source_id, k.host_id), coalesce(s.name, h.name), k.host_id is not null, k.counted, k.system,
                k.zone, k.tolerance_percent
            from cross_check k left join source s on s.id = k.source_id left join link_host h on h.id = k.host_id
            """;

    private static final String STANDINGS = """
            select k.id, coalesce(k.source_id, k.host_id), coalesce(s.name, h.name), k.host_id is not null, k.counted, k.system,
                k.zone, k.tolerance_percent, t.first, t.last, t.theirs,
                case when k.counted = 'visit' then (
                    select coalesce(sum(v.visits), 0) from their_count d join visit_sum v on v.day = d.day
                    join link l on l.id = v.link_id
                    where d.check_id = k.id and v.kind = 'person' and (l.source_id = k.source_id or l.host_id = k.host_id))
                else (
                    select count(*) from outcome o join outcome_source c on c.outcome_id = o.id
                    join their_count d on d.check_id = k.id and d.day = (o.occurred_at at time zone :zone)::date
                    where o.kind = k.counted and o.counts and not o.is_proof and c.source_id = k.source_id
                        and o.occurred_at >= t.first - 1 and o.occurred_at < t.last + 2) end
            from cross_check k left join source s on s.id = k.source_id left join link_host h on h.id = k.host_id
            join lateral (select min(day) as first, max(day) as last, sum(number) as theirs
                from their_count where check_id = k.id) t on t.first is not null
            where k.removed_at is null order by k.created_at desc, k.id
            """;

    private static final String DAYS_OF_VISITS = """
            select d.day, coalesce(sum(v.visits), 0), d.number
            from their_count d left join (visit_sum v join link l on l.id = v.link_id and :subject in (l.source_id, l.host_id))
                on v.day = d.day and v.kind = 'person'
            where d.check_id = :id group by d.day, d.number order by d.day
            """;

    private static final String DAYS_OF_OUTCOMES = """
            select d.day, count(o.id), d.number
            from their_count d left join (
                select o.id, (o.occurred_at at time zone :zone)::date as day
                from outcome o join outcome_source c on c.outcome_id = o.id
                where o.kind = :counted and o.counts and not o.is_proof and c.source_id = :subject
                    and o.occurred_at >= (select min(day) - 1 from their_count where check_id = :id)
                    and o.occurred_at < (select max(day) + 2 from their_count where check_id = :id)) o on o.day = d.day
            where d.check_id = :id group by d.day, d.number order by d.day
            """;

    /** What our count left out on these days, and what of our count falls on these days in the other system's time zone. */
    private static final String CAUSES_OF_VISITS = """
            with days as materialized (select day from their_count where check_id = :id),
            here as (
                select v.kind, sum(v.visits) as visits from days d join visit_sum v on v.day = d.day
                join link l on l.id = v.link_id where :subject in (l.source_id, l.host_id) group by 1),
            near as materialized (
                select v.kind, (v.arrived_at at time zone :zone)::date as ours, (v.arrived_at at time zone :theirs)::date as theirs,
                    l.click_id is not null as has_landed
                from visit v left join landing l on l.click_id = v.click_id
                where %s and v.arrived_at >= :from and v.arrived_at < :to)
            select coalesce((select visits from here where kind = 'robot'), 0),
                coalesce((select visits from here where kind = 'preview'), 0),
                coalesce((select visits from here where kind = 'repeat'), 0),
                (select count(*) from near where kind = 'proof' and ours in (select day from days)),
                (select count(*) filter (where theirs in (select day from days))
                    - count(*) filter (where ours in (select day from days)) from near where kind = 'person'),
                (select case when bool_or(has_landed) then count(*) filter (where not has_landed) end
                    from near where kind = 'person' and ours in (select day from days))
            """;

    private static final String CAUSES_OF_OUTCOMES = """
            with days as materialized (select day from their_count where check_id = :id),
            near as materialized (
                select o.counts, o.is_proof, c.source_id, (o.occurred_at at time zone :zone)::date as ours,
                    (o.occurred_at at time zone :theirs)::date as theirs
                from outcome o left join outcome_source c on c.outcome_id = o.id
                where o.kind = :counted and o.occurred_at >= :from and o.occurred_at < :to)
            select count(*) filter (where ours in (select day from days) and is_proof and source_id = :subject),
                count(*) filter (where ours in (select day from days) and not counts and not is_proof and source_id = :subject),
                count(*) filter (where ours in (select day from days) and counts and not is_proof and source_id is null),
                count(*) filter (where theirs in (select day from days) and counts and not is_proof and source_id = :subject)
                    - count(*) filter (where ours in (select day from days) and counts and not is_proof and source_id = :subject)
            from near
            """;

    private static final String OF_SOURCE = "v.source_id = :subject";
    private static final String OF_DOMAIN = "v.link_id in (select id from link where host_id = :subject)";

    private final JdbcClient jdbc;

    CrossCheckQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A check with both counts. */
    record Standing(Check check, LocalDate firstDay, LocalDate lastDay, long theirs, long ours) {}

    record Day(LocalDate day, long ours, long theirs) {
        public long difference() {
            return theirs - ours;
        }
    }

    /** Visits that we do not count, and visits that the other system may not see. */
    record VisitCauses(long robots, long previews, long repeats, long proofs, long zone, Optional<Long> lost) {}

    record OutcomeCauses(long proofs, long takenBack, long unknownSource, long zone) {}

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Standing> standings(ZoneId zone) {
        return jdbc.sql(STANDINGS)
                .param("zone", zone.getId())
                .query((row, number) -> new Standing(
                        check(row),
                        row.getObject(9, LocalDate.class),
                        row.getObject(10, LocalDate.class),
                        row.getLong(11),
                        row.getLong(12)))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Check> find(UUID id) {
        return jdbc.sql(CHECKS + "where k.id = ? and k.removed_at is null")
                .param(id)
                .query((row, number) -> check(row))
                .optional();
    }

    private static Check check(ResultSet row) throws SQLException {
        return new Check(
                row.getObject(1, UUID.class),
                new Check.Subject(row.getObject(2, UUID.class), row.getString(3), row.getBoolean(4)),
                Counted.find(row.getString(5)).orElseThrow(),
                row.getString(6),
                ZoneId.of(row.getString(7)),
                row.getInt(8));
    }

    @Transactional(readOnly = true)
    List<Day> days(Check check, ZoneId zone) {
        return asked(check.counted() == Counted.VISIT ? DAYS_OF_VISITS : DAYS_OF_OUTCOMES, check, zone)
                .query((row, number) -> new Day(row.getObject(1, LocalDate.class), row.getLong(2), row.getLong(3)))
                .list();
    }

    /** @param days the first and the last of them bound what is looked at, by a day on either side */
    @Transactional(readOnly = true)
    VisitCauses causesOfVisits(Check check, ZoneId zone, List<Day> days) {
        String ours = check.subject().isDomain() ? OF_DOMAIN : OF_SOURCE;
        return near(CAUSES_OF_VISITS.formatted(ours), check, zone, days)
                .query((row, number) -> new VisitCauses(
                        row.getLong(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getLong(4),
                        row.getLong(5),
                        Optional.ofNullable(row.getObject(6, Long.class))))
                .single();
    }

    @Transactional(readOnly = true)
    OutcomeCauses causesOfOutcomes(Check check, ZoneId zone, List<Day> days) {
        return near(CAUSES_OF_OUTCOMES, check, zone, days)
                .query((row, number) ->
                        new OutcomeCauses(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
    }

    private JdbcClient.StatementSpec near(String sql, Check check, ZoneId zone, List<Day> days) {
        Instant from = days.get(0).day().minusDays(1).atStartOfDay(zone).toInstant();
        Instant to =
                days.get(days.size() - 1).day().plusDays(2).atStartOfDay(zone).toInstant();
        return asked(sql, check, zone)
                .param("theirs", check.zone().getId())
                .param("from", Timestamp.from(from))
                .param("to", Timestamp.from(to));
    }

    private JdbcClient.StatementSpec asked(String sql, Check check, ZoneId zone) {
        return jdbc.sql(sql)
                .param("id", check.id())
                .param("subject", check.subject().id())
                .param("counted", check.counted().key())
                .param("zone", zone.getId());
    }
}
