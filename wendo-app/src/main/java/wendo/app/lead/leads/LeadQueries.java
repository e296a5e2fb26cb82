package wendo.app.lead.leads;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.FilterValues;
import wendo.core.links.Channel;

/** The SQL of the leads' screens. */
@Component
class LeadQueries {
    static final int PAGE = 50;
    private static final int FETCHED = 500;

    private static final String ROWS = """
            select l.outcome_id, o.reference, o.name, o.email, o.phone, o.items, o.note as message, l.arrived_at, l.stage,
                l.quoted_minor, l.lost_reason, l.labels, l.note, l.shared_with, l.owner_id, coalesce(p.name, '') as owner,
                s.name as source, s.channel, l.became_id,
                (select min(t.due_at) from lead_task t where t.lead_id = l.outcome_id and t.done_at is null) as next_task
            from lead l
            join outcome o on o.id = l.outcome_id
            left join person p on p.id = l.owner_id
            left join outcome_source c on c.outcome_id = o.id
            left join source s on s.id = c.source_id
            """;

    private final JdbcClient jdbc;

    LeadQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Row(
            UUID id,
            String reference,
            String name,
            String email,
            String phone,
            String items,
            String message,
            Instant arrivedAt,
            Stage stage,
            long quotedMinor,
            String lostReason,
            List<String> labels,
            String note,
            String sharedWith,
            Optional<UUID> ownerId,
            String owner,
            Optional<String> source,
            Optional<Channel> channel,
            Optional<UUID> became,
            Optional<Instant> nextTask) {
        /** What to call the lead: its name, else how it can be reached, else its reference. */
        public String called() {
            return !name.isEmpty() ? name : !email.isEmpty() ? email : !phone.isEmpty() ? phone : reference;
        }
    }

    record Task(UUID id, String text, Instant dueAt, Optional<Instant> doneAt, String doneBy) {}

    record Event(Instant at, String by, String said) {}

    /** One thing on the trail of a person: a visit or an outcome. */
    record Step(
            Instant at, String what, String name, Optional<Channel> channel, long valueMinor, Optional<UUID> outcome) {}

    record Counts(long all, long mine, long nobodys, long open) {}

    private static final String CHOSEN = """
            where not o.is_proof and (:seesAll or l.owner_id is null or l.owner_id = :person)
                and (:whose <> 'mine' or (l.owner_id = :person and l.stage in ('new', 'quoted')))
                and (:whose <> 'nobodys' or (l.owner_id is null and l.stage in ('new', 'quoted')))
                and (:whose <> 'open' or l.stage in ('new', 'quoted'))
                and (:stage = '' or l.stage = :stage)
                and (cast(:source as uuid) is null or c.source_id = cast(:source as uuid))
                and l.arrived_at >= :since
                and (:needle = '%%' or lower(concat_ws(' ', o.reference, o.name, o.email, o.phone, o.items, o.note, l.note,
                    array_to_string(l.labels, ' '))) like :needle)
            """;

    /**
     * Who looks at leads.
     *
     * @param seesAll false for one who sees their own and nobody's
     */
    record Reader(UUID person, boolean seesAll) {
        static Reader of(CurrentPerson person) {
            return new Reader(person.id(), person.may(Permission.SEE_CONTACTS));
        }
    }

    private JdbcClient.StatementSpec chosen(String more, LeadFilter filter, Reader reader, Instant now) {
        return jdbc.sql(ROWS + CHOSEN + "order by " + filter.look().orderBy() + ", l.arrived_at desc, l.outcome_id "
                        + more)
                .param("whose", filter.whose())
                .param("stage", filter.stage().map(Stage::key).orElse(""))
                .param("source", filter.source().map(UUID::toString).orElse(null))
                .param("since", Timestamp.from(filter.since(now)))
                .param("needle", "%" + FilterValues.needle(filter.find()) + "%")
                .param("seesAll", reader.seesAll())
                .param("person", reader.person());
    }

    @Transactional(readOnly = true)
    List<Row> page(LeadFilter filter, Reader reader, Instant now, int page) {
        return chosen("limit :limit offset :offset", filter, reader, now)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query(LeadQueries::row)
                .list();
    }

    /** All of them, read as they are taken. */
    @Transactional(readOnly = true)
    void each(LeadFilter filter, Reader reader, Instant now, Consumer<Iterator<Row>> taker) {
        try (Stream<Row> rows =
                chosen("", filter, reader, now).withFetchSize(FETCHED).query(LeadQueries::row).stream()) {
            taker.accept(rows.iterator());
        }
    }

    @Transactional(readOnly = true)
    Counts counts(Reader reader) {
        return jdbc.sql("""
                        select count(*), count(*) filter (where owner_id = :person and stage in ('new', 'quoted')),
                            count(*) filter (where owner_id is null and stage in ('new', 'quoted')),
                            count(*) filter (where stage in ('new', 'quoted'))
                        from lead l join outcome o on o.id = l.outcome_id
                        where not o.is_proof and (:seesAll or l.owner_id is null or l.owner_id = :person)
                        """)
                .param("person", reader.person())
                .param("seesAll", reader.seesAll())
                .query((row, number) -> new Counts(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
    }

    @Transactional(readOnly = true)
    Optional<Row> find(UUID id) {
        return jdbc.sql(ROWS + "where l.outcome_id = ?")
                .param(id)
                .query(LeadQueries::row)
                .optional();
    }

    @Transactional(readOnly = true)
    List<Task> tasks(UUID lead) {
        return jdbc.sql(
                        "select id, text, due_at, done_at, done_by from lead_task where lead_id = ? order by due_at, id")
                .param(lead)
                .query((row, number) -> new Task(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getTimestamp(3).toInstant(),
                        Optional.ofNullable(row.getTimestamp(4)).map(Timestamp::toInstant),
                        row.getString(5)))
                .list();
    }

    @Transactional(readOnly = true)
    List<Event> events(UUID lead) {
        return jdbc.sql("select at, by, said from lead_event where lead_id = ? order by at desc limit 100")
                .param(lead)
                .query((row, number) -> new Event(row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3)))
                .list();
    }

    /** The visits of the lead's visitor, and the outcomes of the same visitor or contact, in order. */
    @Transactional(readOnly = true)
    List<Step> trail(UUID lead) {
        return jdbc.sql("""
                        with o as (
                            select o.*, v.visitor as link_visitor from outcome o
                            left join lateral (select visitor from visit
                                where click_id = o.click_id and arrived_at = click_time(o.click_id) offset 0) v on true
                            where o.id = :lead)
                        select * from (
                            (select v.arrived_at as at, 'visit' as what, l.name, s.channel, 0::bigint, null::uuid
                            from o join visit v on v.visitor = o.link_visitor and v.kind = 'person'
                            join link l on l.id = v.link_id join source s on s.id = v.source_id
                            order by v.arrived_at desc limit 100)
                            union all
                            (select a.arrived_at, 'arrival', a.referrer, s.channel, 0, null
                            from o join site_arrival a on a.visitor = o.visitor and a.kind = 'person'
                            left join source s on s.id = a.source_id
                            order by a.arrived_at desc limit 100)
                            union all
                            select e.occurred_at, e.kind, e.reference, null, e.kept_minor, e.id
                            from o join outcome e on e.id = o.id
                                or (e.email = o.email and o.email <> '') or (e.phone = o.phone and o.phone <> '')
                            where not e.is_proof) steps
                        order by at limit 200
                        """)
                .param("lead", lead)
                .query((row, number) -> new Step(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        row.getString(3),
                        Optional.ofNullable(row.getString(4)).map(Channel::valueOf),
                        row.getLong(5),
                        Optional.ofNullable(row.getObject(6, UUID.class))))
                .list();
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        return new Row(
                row.getObject("outcome_id", UUID.class),
                row.getString("reference"),
                row.getString("name"),
                row.getString("email"),
                row.getString("phone"),
                row.getString("items"),
                row.getString("message"),
                row.getTimestamp("arrived_at").toInstant(),
                Stage.find(row.getString("stage")).orElseThrow(),
                row.getLong("quoted_minor"),
                row.getString("lost_reason"),
                Arrays.asList((String[]) row.getArray("labels").getArray()),
                row.getString("note"),
                row.getString("shared_with"),
                Optional.ofNullable(row.getObject("owner_id", UUID.class)),
                row.getString("owner"),
                Optional.ofNullable(row.getString("source")),
                Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                Optional.ofNullable(row.getObject("became_id", UUID.class)),
                instant(row.getTimestamp("next_task")));
    }

    private static Optional<Instant> instant(@Nullable Timestamp at) {
        return Optional.ofNullable(at).map(Timestamp::toInstant);
    }
}
