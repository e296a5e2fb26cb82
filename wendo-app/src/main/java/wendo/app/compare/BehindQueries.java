package wendo.app.compare;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.credit.CreditColumns;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of what stands behind a number of the comparison: outcomes with their shares, or visits. */
@Component
class BehindQueries {
    static final int PAGE = 100;

    /** Under the key of all, everything; each row also knows how many there are and what they add up to. */
    private static final String OUTCOMES = """
            with shared as (
                select %1$s as key, o.id, sum(c.%2$s) as share, sum(c.%3$s) as minor, bool_or(c.%2$s <> 0) as is_shared
                from credit c join outcome o on o.id = c.outcome_id %4$s
                where %5$s >= :from and %5$s < :to and o.kind = any(:kinds) and not o.is_proof
                group by 1, o.id
                union all
                select %6$s, o.id, case when o.counts then 1000000 else 0 end, o.kept_minor, true
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = any(:kinds) and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id)),
            chosen as (
                select id, sum(share) as share, sum(minor) as minor from shared
                where is_shared and (key = :key or :key = 'all') group by id)
            select o.id, o.kind, o.reference, o.occurred_at, o.status, o.kept_minor, c.share, c.minor,
                count(*) over (), sum(c.share) over (), sum(c.minor) over ()
            from chosen c join outcome o on o.id = c.id
            order by o.occurred_at desc, o.id limit :limit offset :offset
            """;

    private static final String VISITS = """
            with found as (
                select v.arrived_at as at, v.visitor, s.name as source, lk.name as link, lk.id as link_id, v.country, v.device,
                    v.referrer
                from visit v join link lk on lk.id = v.link_id join source s on s.id = v.source_id
                where v.arrived_at >= :from and v.arrived_at < :to and v.kind = 'person' and (%1$s = :key or :key = 'all')
                union all
                select a.arrived_at, a.visitor, s.name, '', null, '', a.device, a.referrer
                from arrival_source a join source s on s.id = a.stands_for
                where a.arrived_at >= :from and a.arrived_at < :to and a.kind = 'person' and a.origin <> 'direct'
                    and (%2$s = :key or :key = 'all'))
            select at, source, link, link_id, country, device, referrer, count(*) over () from found
            order by at desc limit :limit offset :offset
            """;

    /** A row for each time that somebody is counted; what became of them is looked up for those that are shown. */
    private static final String PEOPLE = """
            with found as (
                select v.visitor, %3$s as unit, 'visitor' as known_by, min(v.arrived_at) as first, max(v.arrived_at) as last,
                    count(*) as visits, min(s.name) as source
                from visit v join link lk on lk.id = v.link_id join source s on s.id = v.source_id
                where v.arrived_at >= :from and v.arrived_at < :to and v.kind = 'person' and (%1$s = :key or :key = 'all')
                group by 1, 2
                union all
                select a.visitor, %4$s, 'browser', min(a.arrived_at), max(a.arrived_at), count(*), min(s.name)
                from arrival_source a join source s on s.id = a.stands_for
                where a.arrived_at >= :from and a.arrived_at < :to and a.kind = 'person' and a.origin <> 'direct'
                    and (%2$s = :key or :key = 'all')
                group by 1, 2),
            shown as (
                select *, count(*) over () as people from found order by last desc, visitor limit :limit offset :offset)
            select p.first, p.last, p.visits, p.source, p.known_by = 'browser', o.id, o.kind, p.people
            from shown p left join lateral (
                select o.id, o.kind from identity i join identity same on same.person = i.person
                join trail t on t.identity_id = same.id join outcome o on o.id = t.outcome_id
                where i.kind = p.known_by and i.key = p.visitor::text and o.counts and not o.is_proof
                order by o.occurred_at desc limit 1) o on true
            order by p.last desc, p.visitor
            """;

    private final JdbcClient jdbc;

    BehindQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What a group has of an outcome: millionths of it and of its value, after what was taken back. */
    record Part(
            UUID outcome,
            OutcomeKind kind,
            String reference,
            Instant occurredAt,
            String status,
            long keptMinor,
            long millionths,
            long minor) {}

    /** A page of outcomes, and how many there are on all pages, with their sum. */
    record Parts(List<Part> page, long all, Credited sum) {}

    /** A visit by a link, or an arrival without one. */
    record Seen(
            Instant at,
            String source,
            String link,
            Optional<UUID> linkId,
            String country,
            String device,
            String referrer) {}

    record SeenPage(List<Seen> page, long all) {}

    /**
     * Somebody who came, by a source, a link or in a month, as the comparison counts people.
     *
     * @param outcome the last they are known to have had
     */
    record Somebody(
            Instant first,
            Instant last,
            long visits,
            String source,
            boolean withoutLink,
            Optional<UUID> outcome,
            String outcomeKind) {}

    record PeoplePage(List<Somebody> page, long all) {}

    private record Summed<T>(T row, long all, Credited sum) {}

    @Transactional(readOnly = true)
    Parts outcomes(String key, List<OutcomeKind> kinds, Period period, ZoneId zone, CompareChoice choice, int page) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        String sql = OUTCOMES.formatted(
                group.creditKey(),
                CreditColumns.share(choice.model()),
                CreditColumns.minor(choice.model()),
                group.creditJoin(),
                clock,
                group.unjoinedKey());
        List<Summed<Part>> found = paged(sql, key, period, zone, page)
                .param("kinds", kinds.stream().map(OutcomeKind::key).toArray(String[]::new))
                .query((row, number) ->
                        new Summed<>(part(row), row.getLong(9), new Credited(row.getLong(10), 0, row.getLong(11))))
                .list();
        return new Parts(
                found.stream().map(Summed::row).toList(),
                found.isEmpty() ? 0 : found.get(0).all(),
                found.isEmpty() ? Credited.none() : found.get(0).sum());
    }

    private JdbcClient.StatementSpec paged(String sql, String key, Period period, ZoneId zone, int page) {
        return CompareQueries.within(jdbc.sql(sql), period, zone)
                .param("key", key)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE);
    }

    private static Part part(ResultSet row) throws SQLException {
        return new Part(
                row.getObject(1, UUID.class),
                OutcomeKind.find(row.getString(2)).orElseThrow(),
                row.getString(3),
                row.getTimestamp(4).toInstant(),
                row.getString(5),
                row.getLong(6),
                row.getLong(7),
                row.getLong(8));
    }

    /** People's visits that are still kept one by one. */
    @Transactional(readOnly = true)
    SeenPage visits(String key, Period period, ZoneId zone, CompareChoice choice, int page) {
        GroupSql group = GroupSql.of(choice.grouping(), ClockColumn.of(choice.clock()));
        List<Summed<Seen>> found = paged(VISITS.formatted(group.seenKey(), group.arrivalKey()), key, period, zone, page)
                .query((row, number) -> new Summed<>(
                        new Seen(
                                row.getTimestamp(1).toInstant(),
                                row.getString(2),
                                row.getString(3),
                                Optional.ofNullable(row.getObject(4, UUID.class)),
                                row.getString(5),
                                row.getString(6),
                                row.getString(7)),
                        row.getLong(8),
                        Credited.none()))
                .list();
        return new SeenPage(
                found.stream().map(Summed::row).toList(),
                found.isEmpty() ? 0 : found.get(0).all());
    }

    /** People whose visits are still kept one by one. */
    @Transactional(readOnly = true)
    PeoplePage people(String key, Period period, ZoneId zone, CompareChoice choice, int page) {
        GroupSql group = GroupSql.of(choice.grouping(), ClockColumn.of(choice.clock()));
        String sql = PEOPLE.formatted(
                group.seenKey(),
                group.arrivalKey(),
                unit(choice.grouping(), group),
                arrivalUnit(choice.grouping(), group));
        List<Summed<Somebody>> found = paged(sql, key, period, zone, page)
                .query((row, number) -> new Summed<>(somebody(row), row.getLong(8), Credited.none()))
                .list();
        return new PeoplePage(
                found.stream().map(Summed::row).toList(),
                found.isEmpty() ? 0 : found.get(0).all());
    }

    /** Somebody is counted once for each of these. */
    private static String unit(Grouping grouping, GroupSql group) {
        if (grouping.isOfSources()) {
            return "v.source_id::text";
        }
        return grouping.isOfLinks() ? "v.link_id::text" : group.seenKey();
    }

    private static String arrivalUnit(Grouping grouping, GroupSql group) {
        return grouping.isOfSources() ? "a.stands_for::text" : group.arrivalKey();
    }

    private static Somebody somebody(ResultSet row) throws SQLException {
        return new Somebody(
                row.getTimestamp(1).toInstant(),
                row.getTimestamp(2).toInstant(),
                row.getLong(3),
                row.getString(4),
                row.getBoolean(5),
                Optional.ofNullable(row.getObject(6, UUID.class)),
                Optional.ofNullable(row.getString(7)).orElse(""));
    }
}
