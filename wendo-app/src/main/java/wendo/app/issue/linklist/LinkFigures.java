package wendo.app.issue.linklist;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;

/**
 * The SQL of one link's figures, from the moment they are counted from. Proofs are in none of them.
 */
@Component
class LinkFigures {
    private static final int HOURS = 24;

    private final JdbcClient jdbc;

    LinkFigures(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What a link brought in a period.
     *
     * @param valueMinor of bookings and purchases, as the latest touch that a source brought is credited with them
     * @param before people's visits of the period that came before the figures were begun afresh
     */
    record Counts(
            long people,
            long visits,
            long repeats,
            long previews,
            long robots,
            long leads,
            long bookings,
            long purchases,
            long valueMinor,
            long before) {}

    /** A bar of a drawing, in hundredths of its width and height. */
    record Bar<T>(T label, long count, double left, double width, double height) {}

    @Transactional(readOnly = true)
    Counts counts(UUID link, Period period, ZoneId zone) {
        return within(jdbc.sql("""
                        with came as materialized (
                            select kind, counted, sum(visits) as visits from visits_of_days(:first, :end)
                            where link_id = :link group by 1, 2),
                        earned as materialized (
                            select o.kind, c.last_non_direct_share as share, c.last_non_direct_minor as minor
                            from credit c join outcome o on o.id = c.outcome_id join link l on l.id = c.link_id
                            where c.link_id = :link and o.occurred_at >= :from
                                and o.occurred_at < :to and not o.is_proof
                                and (l.counted_from is null or c.touched_at >= l.counted_from))
                        select (select coalesce(sum(people), 0) from visit_person_sum
                                where scope = 'link' and scope_id = :link and counted and day >= :first and day < :end
                                    and day_before < :first),
                            (select coalesce(sum(visits), 0) from came where counted and kind = 'person'),
                            (select coalesce(sum(visits), 0) from came where counted and kind = 'repeat'),
                            (select coalesce(sum(visits), 0) from came where counted and kind = 'preview'),
                            (select coalesce(sum(visits), 0) from came where counted and kind = 'robot'),
                            (select coalesce(sum(share), 0) / 1000000 from earned where kind = 'lead'),
                            (select coalesce(sum(share), 0) / 1000000 from earned where kind = 'booking'),
                            (select coalesce(sum(share), 0) / 1000000 from earned where kind = 'purchase'),
                            (select coalesce(sum(minor), 0) from earned where kind <> 'lead'),
                            (select coalesce(sum(visits), 0) from came where not counted and kind = 'person')
                        """), link, period)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> new Counts(
                        row.getLong(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getLong(4),
                        row.getLong(5),
                        row.getLong(6),
                        row.getLong(7),
                        row.getLong(8),
                        row.getLong(9),
                        row.getLong(10)))
                .single();
    }

    static JdbcClient.StatementSpec within(JdbcClient.StatementSpec statement, UUID link, Period period) {
        return statement
                .param("link", link)
                .param("first", period.startInclusive())
                .param("end", period.endExclusive());
    }

    /** From when the figures are counted, if they were begun afresh. */
    @Transactional(readOnly = true)
    Optional<Instant> countedFrom(UUID link) {
        return jdbc.sql("select counted_from from link where id = ? and counted_from is not null")
                .param(link)
                .query((row, number) -> row.getTimestamp(1).toInstant())
                .optional();
    }

    /** How many days a bar stands for: a week where single days would be too narrow. */
    static int daysOfBar(Period period) {
        return period.days() <= 100 ? 1 : 7;
    }

    /** Different people by day or week, labelled with the first day. */
    @Transactional(readOnly = true)
    List<Bar<LocalDate>> days(UUID link, Period period) {
        int step = daysOfBar(period);
        Map<LocalDate, Long> people = new HashMap<>();
        within(jdbc.sql("""
                        select :first + (day - :first) / :step * :step as bar, sum(people)
                        from visit_person_sum
                        where scope = 'link' and scope_id = :link and counted and day >= :first and day < :end
                            and day_before < :first + (day - :first) / :step * :step
                        group by 1
                        """), link, period).param("step", step).query(row -> {
            people.put(row.getObject(1, LocalDate.class), row.getLong(2));
        });
        List<LocalDate> labels = new ArrayList<>();
        for (LocalDate day = period.startInclusive(); day.isBefore(period.endExclusive()); day = day.plusDays(step)) {
            labels.add(day);
        }
        return bars(labels, people);
    }

    /** People's visits by the hour of the business's day, labelled 00 to 23. */
    @Transactional(readOnly = true)
    List<Bar<String>> hours(UUID link, Period period) {
        Map<String, Long> visits = new HashMap<>();
        within(jdbc.sql("""
                        select value, sum(visits) from visit_trait_sum
                        where link_id = :link and counted and day >= :first and day < :end and trait = 'hour' group by 1
                        """), link, period).query(row -> {
            visits.put(row.getString(1), row.getLong(2));
        });
        List<String> labels = new ArrayList<>();
        for (int hour = 0; hour < HOURS; hour++) {
            labels.add(hour < 10 ? "0" + hour : String.valueOf(hour));
        }
        return bars(labels, visits);
    }

    private static <T> List<Bar<T>> bars(List<T> labels, Map<T, Long> counts) {
        long most = Math.max(
                1, counts.values().stream().mapToLong(Long::longValue).max().orElse(1));
        double width = 100.0 / labels.size();
        List<Bar<T>> bars = new ArrayList<>();
        for (T label : labels) {
            long count = counts.getOrDefault(label, 0L);
            bars.add(new Bar<>(label, count, bars.size() * width, width * 0.8, 100.0 * count / most));
        }
        return bars;
    }
}
