package wendo.app.issue.linkreport;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;
import wendo.core.measure.Period;

/**
 * The SQL of a report of links: people's visits from the moment that each link's figures count from. Nobody is named.
 */
@Component
class LinkReportQueries {
    private static final int TOP = 10;

    private static final String LINKS = """
            with links as materialized (
                select l.id from link l
                where (:kind = 'link' and l.id::text = :subject) or (:kind = 'campaign' and l.campaign_id::text = :subject)
                    or (:kind = 'label' and exists (
                        select from unnest(l.labels) one where one = :subject or starts_with(one, :subject || '/'))))
            """;

    private final JdbcClient jdbc;

    LinkReportQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What the links brought in a period.
     *
     * @param people of each link, added up: who came by two of them counts twice
     */
    record Counts(long links, long people, long visits, long leads, long bookings, long purchases) {}

    /** A day or a week, from its first day. */
    record Day(LocalDate first, long people) {}

    /** What is told of visits without telling who came. */
    enum Trait {
        COUNTRY,
        REFERRER,
        DEVICE
    }

    /** @param value empty text for what is not known */
    record Known(String value, long visits) {}

    /** What people call it; empty if there is no such thing, or no link has the label. */
    @Transactional(readOnly = true)
    Optional<String> name(ReportSubject of) {
        return jdbc.sql("""
                        select name from link where :kind = 'link' and id::text = :subject
                        union all
                        select name from campaign where :kind = 'campaign' and id::text = :subject
                        union all
                        (select :subject from link, unnest(labels) one
                            where :kind = 'label' and (one = :subject or starts_with(one, :subject || '/')) limit 1)
                        """)
                .param("kind", of.kind().key())
                .param("subject", of.key())
                .query(String.class)
                .optional();
    }

    private JdbcClient.StatementSpec within(String sql, ReportSubject of, Period period) {
        return jdbc.sql(LINKS + sql)
                .param("kind", of.kind().key())
                .param("subject", of.key())
                .param("first", period.startInclusive())
                .param("end", period.endExclusive());
    }

    @Transactional(readOnly = true)
    Counts counts(ReportSubject of, Period period, ZoneId zone) {
        return within("""
                        , earned as materialized (
                            select o.kind, sum(c.last_non_direct_share) / 1000000 as outcomes
                            from credit c join outcome o on o.id = c.outcome_id join link l on l.id = c.link_id
                            where c.link_id in (select id from links) and o.occurred_at >= :from and o.occurred_at < :to
                                and not o.is_proof and (l.counted_from is null or c.touched_at >= l.counted_from)
                            group by 1)
                        select (select count(*) from links),
                            (select coalesce(sum(people), 0) from visit_person_sum
                                where scope = 'link' and scope_id in (select id from links) and counted and day >= :first
                                    and day < :end and day_before < :first),
                            (select coalesce(sum(visits), 0) from visits_of_days(:first, :end)
                                where link_id in (select id from links) and counted and kind = 'person'),
                            coalesce((select outcomes from earned where kind = 'lead'), 0),
                            coalesce((select outcomes from earned where kind = 'booking'), 0),
                            coalesce((select outcomes from earned where kind = 'purchase'), 0)
                        """, of, period)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> new Counts(
                        row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4), row.getLong(5), row.getLong(6)))
                .single();
    }

    /** How many days a row stands for: a week where single days would make too many. */
    static int daysOfRow(Period period) {
        return period.days() <= 62 ? 1 : 7;
    }

    /** Every day or week of the period, also those without people. */
    @Transactional(readOnly = true)
    List<Day> days(ReportSubject of, Period period) {
        return within("""
                        select :first + place * :step, coalesce(sum(people), 0)
                        from generate_series(0, (:end - :first - 1) / :step) place
                        left join visit_person_sum s on s.scope = 'link' and s.scope_id in (select id from links) and s.counted
                            and s.day >= :first + place * :step and s.day < least(:end, :first + (place + 1) * :step)
                            and s.day_before < :first + place * :step
                        group by 1 order by 1
                        """, of, period)
                .param("step", daysOfRow(period))
                .query((row, number) -> new Day(row.getObject(1, LocalDate.class), row.getLong(2)))
                .list();
    }

    /** The most frequent of each, by visits; of a referring page its host alone, for addresses can name people. */
    @Transactional(readOnly = true)
    Map<Trait, List<Known>> known(ReportSubject of, Period period) {
        Map<Trait, List<Known>> known = new EnumMap<>(Trait.class);
        within("""
                        , told as (
                            select trait, said, sum(visits) as visits,
                                row_number() over (partition by trait order by sum(visits) desc, said) as place
                            from visit_trait_sum, lateral (
                                select case trait when 'referrer'
                                    then coalesce(substring(value from '^(?:[a-z]+://)?(?:www\\.)?([^/:?#]+)'), '')
                                    else value end as said) host
                            where link_id in (select id from links) and counted and day >= :first and day < :end
                                and trait in ('country', 'referrer', 'device')
                            group by 1, 2)
                        select trait, said, visits from told where place <= :top order by trait, place
                        """, of, period).param("top", TOP).query(row -> {
            known.computeIfAbsent(
                            FilterValues.one(Trait.values(), row.getString(1)).orElseThrow(),
                            trait -> new ArrayList<>())
                    .add(new Known(row.getString(2), row.getLong(3)));
        });
        return known;
    }
}
