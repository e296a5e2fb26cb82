package wendo.app.audience.mailings;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of what became of the people on mailing lists, whatever they came by. */
@Component
public class MatchBackQueries {
    private static final int MOST_LISTS = 50;

    private static final String LISTS = """
            with listed as (
                select id, link_id, name, made_at from recipient_list
                where made_at is not null and (cast(:only as uuid) is null or id = cast(:only as uuid))
                order by made_at desc limit :most),
            people as (
                select r.id, r.list_id, r.held_out, r.email, r.phone, l.made_at, k.source_id
                from recipient r join listed l on l.id = r.list_id join link k on k.id = l.link_id where r.code is not null or r.held_out),
            matched as (
                select p.id, o.id as outcome_id, p.source_id
                from people p join outcome o on o.email = p.email and o.email <> ''
                    and o.occurred_at >= p.made_at and o.occurred_at < p.made_at + make_interval(days => :days)
                where o.kind = :kind and o.counts and not o.is_proof
                union
                select p.id, o.id, p.source_id
                from people p join outcome o on o.phone = p.phone and o.phone <> ''
                    and o.occurred_at >= p.made_at and o.occurred_at < p.made_at + make_interval(days => :days)
                where o.kind = :kind and o.counts and not o.is_proof),
            acted as (
                select m.id, count(*) as outcomes, count(*) filter (where exists (
                    select from credit c where c.outcome_id = m.outcome_id and c.source_id = m.source_id
                        and c.entry = 0 and c.last_non_direct_share > 0)) as by_source
                from matched m group by m.id)
            select l.id, l.link_id, l.name, l.made_at,
                count(p.id) filter (where not p.held_out), count(a.id) filter (where not p.held_out),
                count(p.id) filter (where p.held_out), count(a.id) filter (where p.held_out),
                coalesce(sum(a.outcomes) filter (where not p.held_out), 0),
                coalesce(sum(a.by_source) filter (where not p.held_out), 0)
            from listed l left join people p on p.list_id = l.id left join acted a on a.id = p.id
            group by l.id, l.link_id, l.name, l.made_at order by l.made_at desc
            """;

    private final JdbcClient jdbc;

    MatchBackQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A list whose links were made.
     *
     * @param mailedActed of those who were mailed, the people with an outcome in the window; likewise of those held out
     * @param outcomes of those who were mailed, {@code bySource} of them credited to the source of the list's link
     */
    public record MailedList(
            UUID list,
            UUID link,
            String name,
            Instant madeAt,
            long mailed,
            long mailedActed,
            long heldOut,
            long heldOutActed,
            long outcomes,
            long bySource) {}

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<MailedList> lists(OutcomeKind kind, int days) {
        return read(Optional.empty(), kind, days);
    }

    /** Of one of them. */
    @Transactional(readOnly = true)
    public Optional<MailedList> list(UUID list, OutcomeKind kind, int days) {
        return read(Optional.of(list), kind, days).stream().findFirst();
    }

    private List<MailedList> read(Optional<UUID> only, OutcomeKind kind, int days) {
        return jdbc.sql(LISTS)
                .param("most", MOST_LISTS)
                .param("only", only.map(UUID::toString).orElse(null))
                .param("kind", kind.key())
                .param("days", days)
                .query((row, number) -> new MailedList(
                        row.getObject(1, UUID.class),
                        row.getObject(2, UUID.class),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        row.getLong(5),
                        row.getLong(6),
                        row.getLong(7),
                        row.getLong(8),
                        row.getLong(9),
                        row.getLong(10)))
                .list();
    }
}
