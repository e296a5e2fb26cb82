package wendo.app.keep;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;

/** The SQL of one link's figures and history. Proofs are in none of the figures. */
@Component
class LinkFigures {
    private static final int TOP = 6;

    private final JdbcClient jdbc;

    LinkFigures(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param valueMinor of bookings and purchases, as last touch credits them */
    record Counts(
            long people,
            long visits,
            long repeats,
            long previews,
            long robots,
            long leads,
            long bookings,
            long purchases,
            long valueMinor) {}

    /** A bar of the drawing; the height is in hundredths of the tallest. */
    record Day(LocalDate first, long people, double left, double width, double height) {}

    record From(String what, String name, long people) {}

    @Transactional(readOnly = true)
    Counts counts(UUID link, Period period, ZoneId zone) {
        return within(jdbc.sql("""
                        with came as materialized (
                            select visitor, kind from visit
                            where link_id = :link and arrived_at >= :from and arrived_at < :to),
                        earned as (
                            select o.kind, c.share_millionths, c.value_minor
                            from credit c join outcome o on o.id = c.outcome_id
                            join visit v on v.click_id = c.click_id and v.arrived_at = click_time(c.click_id)
                            where v.link_id = :link and c.model = 'last-touch' and o.occurred_at >= :from
                                and o.occurred_at < :to and not o.is_proof)
                        select (select count(distinct visitor) from came where kind = 'person'),
                            (select count(*) from came where kind = 'person'),
                            (select count(*) from came where kind = 'repeat'),
                            (select count(*) from came where kind = 'preview'),
                            (select count(*) from came where kind = 'robot'),
                            (select coalesce(sum(share_millionths), 0) / 1000000 from earned where kind = 'lead'),
                            (select coalesce(sum(share_millionths), 0) / 1000000 from earned where kind = 'booking'),
                            (select coalesce(sum(share_millionths), 0) / 1000000 from earned where kind = 'purchase'),
                            (select coalesce(sum(value_minor), 0) from earned where kind <> 'lead')
                        """), link, period, zone)
                .query((row, number) -> new Counts(
                        row.getLong(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getLong(4),
                        row.getLong(5),
                        row.getLong(6),
                        row.getLong(7),
                        row.getLong(8),
                        row.getLong(9)))
                .single();
    }

    private static JdbcClient.StatementSpec within(
            JdbcClient.StatementSpec statement, UUID link, Period period, ZoneId zone) {
        return statement
                .param("link", link)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)));
    }

    /** People by day, or by week where days could not be told apart. */
    @Transactional(readOnly = true)
    List<Day> days(UUID link, Period period, ZoneId zone) {
        int step = period.days() <= 100 ? 1 : 7;
        Map<LocalDate, Long> people = new HashMap<>();
        within(jdbc.sql("""
                        select :first + ((arrived_at at time zone :zone)::date - :first) / :step * :step as day,
                            count(distinct visitor)
                        from visit
                        where link_id = :link and arrived_at >= :from and arrived_at < :to and kind = 'person'
                        group by 1
                        """), link, period, zone)
                .param("zone", zone.getId())
                .param("first", period.startInclusive())
                .param("step", step)
                .query(row -> {
                    people.put(row.getObject(1, LocalDate.class), row.getLong(2));
                });
        long most = Math.max(
                1, people.values().stream().mapToLong(Long::longValue).max().orElse(1));
        List<Day> days = new ArrayList<>();
        double width = 100.0 * step / period.days();
        for (LocalDate day = period.startInclusive(); day.isBefore(period.endExclusive()); day = day.plusDays(step)) {
            long count = people.getOrDefault(day, 0L);
            days.add(new Day(day, count, days.size() * width, width * 0.8, 100.0 * count / most));
        }
        return days;
    }

    /** The most frequent referring pages, countries and devices of its people. */
    @Transactional(readOnly = true)
    List<From> from(UUID link, Period period, ZoneId zone) {
        return within(jdbc.sql("""
                        with came as materialized (
                            select visitor, referrer, country, device from visit
                            where link_id = :link and arrived_at >= :from and arrived_at < :to and kind = 'person'),
                        told as (
                            select 'page' as what, referrer as name, visitor from came
                            union all select 'country', country, visitor from came
                            union all select 'device', device, visitor from came),
                        ranked as (
                            select what, name, count(distinct visitor) as people,
                                row_number() over (partition by what order by count(distinct visitor) desc, name) as place
                            from told group by what, name)
                        select what, name, people from ranked where place <= :top order by what, place
                        """), link, period, zone)
                .param("top", TOP)
                .query((row, number) -> new From(row.getString(1), row.getString(2), row.getLong(3)))
                .list();
    }
}
