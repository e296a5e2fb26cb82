package wendo.app.money.spend;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.measure.UnitPrice;

/** The SQL of what things cost. */
@Component
class SpendQueries {
    /** A price is paid for people's visits by the source's links, on the days of the period that it covers. */
    private static final String ROWS = """
            select e.id, e.source_id, e.link_id, e.campaign_id, e.shared_by, e.way, e.amount_minor, e.unit_millis, e.first_day,
                e.last_day, e.note, e.created_by, coalesce(s.name, 'Campaign ' || g.name) as name, s.channel,
                case when e.way = 'visit' then (
                    select coalesce(sum(v.visits), 0) from link l join visit_sum v on v.link_id = l.id
                    where l.source_id = e.source_id and v.kind = 'person' and v.day >= greatest(e.first_day, :start::date)
                        and v.day < least(coalesce(e.last_day + 1, :end::date), :end::date)) else 0 end as visits,
                exists (select from spend_correction c where c.spend_id = e.id) as is_corrected
            from spend e left join source s on s.id = e.source_id left join campaign g on g.id = e.campaign_id
            """;

    private static final String WITHIN = ROWS
            + "where e.removed_at is null and e.first_day < :end and (e.last_day is null or e.last_day >= :start) ";

    private final JdbcClient jdbc;

    SpendQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** An entry, and what of it falls in a period. */
    record Row(
            UUID id,
            String name,
            Optional<Channel> channel,
            Cost cost,
            String enteredBy,
            boolean isCorrected,
            long inPeriodMinor) {}

    /** What an entry said before. */
    record Correction(String said, Instant at, String by) {}

    /** A week of the period, from its first day: outcomes that came in it. */
    record Week(LocalDate first, long leads, long bookings, long purchases) {}

    @Transactional(readOnly = true)
    List<Row> list(Period period) {
        return jdbc.sql(WITHIN + "order by e.first_day desc, name, e.id")
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) -> row(row, period))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Row> find(UUID id, Period period) {
        return jdbc.sql(ROWS + "where e.id = :id")
                .param("id", id)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) -> row(row, period))
                .optional();
    }

    @Transactional(readOnly = true)
    List<Correction> corrections(UUID id) {
        return jdbc.sql(
                        "select said, corrected_at, corrected_by from spend_correction where spend_id = ? order by corrected_at")
                .param(id)
                .query((row, number) ->
                        new Correction(row.getString(1), row.getTimestamp(2).toInstant(), row.getString(3)))
                .list();
    }

    /** Sources that people came by in the period, by a link or without, and that nothing is entered for. */
    @Transactional(readOnly = true)
    List<Spends.Missing> missing(Period period, List<UUID> paid) {
        return jdbc.sql("""
                        with came as (
                            select scope_id as id, sum(people) as people from visit_person_sum
                            where scope = 'source' and day >= :start and day < :end and day_before < :start group by 1
                            union all
                            select scope_id, sum(people) from arrival_person_sum
                            where scope = 'source' and day >= :start and day < :end and day_before < :start group by 1)
                        select s.id, s.name, s.channel, sum(c.people) as people
                        from came c join source s on s.id = c.id where s.id <> all(:paid)
                        group by s.id, s.name, s.channel order by people desc, s.name limit 50
                        """)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .param("paid", paid.toArray(UUID[]::new))
                .query((row, number) -> new Spends.Missing(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        Channel.valueOf(row.getString(3)),
                        row.getLong(4)))
                .list();
    }

    /** The weeks of a period from its first day on, the last as far as it lies in it. */
    @Transactional(readOnly = true)
    List<Week> weeks(Period period, String zone) {
        return jdbc.sql("""
                        select w::date, count(o.id) filter (where o.kind = 'lead'), count(o.id) filter (where o.kind = 'booking'),
                            count(o.id) filter (where o.kind = 'purchase')
                        from generate_series(:start::date, :end::date - 1, interval '7 days') w
                        left join outcome o on o.occurred_at >= w::date::timestamp at time zone :zone
                            and o.occurred_at < least(w::date + 7, :end::date)::timestamp at time zone :zone
                            and o.counts and not o.is_proof
                        group by w order by w
                        """)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .param("zone", zone)
                .query((row, number) ->
                        new Week(row.getObject(1, LocalDate.class), row.getLong(2), row.getLong(3), row.getLong(4)))
                .list();
    }

    private static Row row(ResultSet row, Period period) throws SQLException {
        Cost cost = new Cost(
                Optional.ofNullable(row.getObject("source_id", UUID.class)),
                Optional.ofNullable(row.getObject("link_id", UUID.class)),
                Optional.ofNullable(row.getObject("campaign_id", UUID.class)),
                SharedBy.find(row.getString("shared_by")),
                SpendWay.find(row.getString("way")).orElseThrow(),
                row.getLong("amount_minor"),
                new UnitPrice(row.getLong("unit_millis")),
                row.getObject("first_day", LocalDate.class),
                Optional.ofNullable(row.getObject("last_day", LocalDate.class)),
                row.getString("note"));
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                cost,
                row.getString("created_by"),
                row.getBoolean("is_corrected"),
                cost.within(period, row.getLong("visits")));
    }
}
