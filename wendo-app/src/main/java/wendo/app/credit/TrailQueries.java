package wendo.app.credit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.credit.ModelName;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of a trail. */
@Component
class TrailQueries {
    /** Of a longer trail the newest steps are shown. */
    static final int MOST = 200;

    private final JdbcClient jdbc;

    TrailQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * How the person came.
     *
     * @param how visit or arrival
     * @param source empty if directly
     * @param by the link's name, or the referring page
     */
    record Came(
            String how,
            UUID id,
            Instant at,
            Optional<UUID> source,
            Optional<String> sourceName,
            Optional<Channel> channel,
            String by) {}

    /** What the person did. */
    record Did(
            UUID id, OutcomeKind kind, String reference, Instant at, boolean counts, long keptMinor, String status) {}

    /**
     * What a touch earned of an outcome under a model, after what was taken back.
     *
     * @param click the visit's, empty where none is known
     */
    record Share(
            UUID outcome,
            String how,
            Instant touchedAt,
            Optional<UUID> click,
            Optional<UUID> source,
            Optional<String> sourceName,
            Optional<Channel> channel,
            long millionths,
            long minor) {}

    /** Newest first. */
    List<Came> came(UUID person) {
        return jdbc.sql("""
                        select * from (
                            select 'visit', v.click_id, v.arrived_at as at, v.source_id, s.name, s.channel, l.name
                            from identity i
                            cross join lateral (
                                select * from visit where visitor = i.key::uuid and kind = 'person' offset 0) v
                            join source s on s.id = v.source_id join link l on l.id = v.link_id
                            where i.person = :person and i.kind = 'visitor'
                            union all
                            select 'arrival', a.id, a.arrived_at, a.stands_for, s.name, s.channel, left(a.referrer, 300)
                            from identity i
                            cross join lateral (
                                select * from arrival_source where visitor = i.key::uuid and kind = 'person' offset 0) a
                            left join source s on s.id = a.stands_for
                            where i.person = :person and i.kind = 'browser') came
                        order by at desc limit 200
                        """)
                .param("person", person)
                .query((row, number) -> new Came(
                        row.getString(1),
                        row.getObject(2, UUID.class),
                        row.getTimestamp(3).toInstant(),
                        Optional.ofNullable(row.getObject(4, UUID.class)),
                        Optional.ofNullable(row.getString(5)),
                        Optional.ofNullable(row.getString(6)).map(Channel::valueOf),
                        row.getString(7)))
                .list();
    }

    /** Newest first. */
    List<Did> did(List<UUID> outcomes) {
        return jdbc.sql("""
                        select id, kind, reference, occurred_at, counts, kept_minor, status from outcome
                        where id = any(?) and not is_proof order by occurred_at desc, id limit 200
                        """)
                .param(outcomes.toArray(UUID[]::new))
                .query((row, number) -> new Did(
                        row.getObject(1, UUID.class),
                        OutcomeKind.find(row.getString(2)).orElseThrow(),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        row.getBoolean(5),
                        row.getLong(6),
                        row.getString(7)))
                .list();
    }

    List<Share> shares(List<UUID> outcomes, ModelName model) {
        return jdbc.sql("""
                        select c.outcome_id, c.how, c.touched_at, c.click_id, c.source_id, s.name, s.channel,
                            max(c.%1$s), sum(c.%2$s)
                        from credit c left join source s on s.id = c.source_id
                        where c.outcome_id = any(?)
                        group by c.outcome_id, c.touch, c.how, c.touched_at, c.click_id, c.source_id, s.name, s.channel
                        order by c.outcome_id, c.touch
                        """.formatted(CreditColumns.share(model), CreditColumns.minor(model)))
                .param(outcomes.toArray(UUID[]::new))
                .query(TrailQueries::share)
                .list();
    }

    private static Share share(ResultSet row, int number) throws SQLException {
        return new Share(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getTimestamp(3).toInstant(),
                Optional.ofNullable(row.getObject(4, UUID.class)),
                Optional.ofNullable(row.getObject(5, UUID.class)),
                Optional.ofNullable(row.getString(6)),
                Optional.ofNullable(row.getString(7)).map(Channel::valueOf),
                row.getLong(8),
                row.getLong(9));
    }

    /** An outcome by its reference, or the latest of somebody's address or number; empty if it is nobody's. */
    Optional<UUID> find(String text) {
        return jdbc.sql("""
                        select id from outcome
                        where not is_proof and (lower(reference) = lower(:text) or email = lower(:text) or phone = :text)
                        order by occurred_at desc limit 1
                        """).param("text", text).query(UUID.class).optional();
    }
}
