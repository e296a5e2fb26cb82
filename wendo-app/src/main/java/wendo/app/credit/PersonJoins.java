package wendo.app.credit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;

/**
 * Tells who is who: joins what stands for one person, and parts it again. Runs in the transaction of its caller, which
 * holds the lock of the business's crediting.
 */
@Component
class PersonJoins {
    /** A browser that so many contacts used is a shared one, like a counter's: it joins no more of them. Ours. */
    private static final int MOST_CONTACTS = 4;

    /** Of one person's outcomes, so many are credited anew when there is news of one. */
    private static final int MOST_OUTCOMES = 200;

    private final JdbcClient jdbc;
    private final Clock clock;

    PersonJoins(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What stands for somebody, and how it is known with an outcome. */
    private record Known(String kind, String key, String how) {}

    /** Joins what came with an outcome, and says whose outcomes may be credited otherwise now: those of its person. */
    List<UUID> join(UUID outcome) {
        List<Known> known = known(outcome);
        if (known.isEmpty()) {
            return List.of(outcome);
        }
        Identity first = ensure(known.get(0));
        for (Known other : known.subList(1, known.size())) {
            Identity next = ensure(other);
            if (!next.id().equals(first.id())) {
                join(first, next, other.how(), "");
            }
        }
        jdbc.sql("""
                        insert into trail values (?, ?, ?, null)
                        on conflict (outcome_id) do update set identity_id = excluded.identity_id
                        """)
                .params(outcome, BusinessScope.current().value(), first.id())
                .update();
        return outcomesOf(person(first.id()));
    }

    /** The strongest first: it is what the outcome is known by. */
    private List<Known> known(UUID outcome) {
        return jdbc.sql("""
                        with o as (select * from outcome where id = :outcome),
                        came as (
                            select v.visitor, v.recipient_id from o
                            cross join lateral (
                                select visitor, recipient_id from visit
                                where click_id = o.click_id and arrived_at = click_time(o.click_id)
                                    and kind not in ('preview', 'proof') offset 0) v)
                        select 'visitor', visitor::text, '' from came
                        union all
                        select 'browser', visitor::text, format('the %s %s came from this browser', kind, reference)
                        from o where visitor is not null
                        union all
                        select 'email', email, format('the %s %s came with this address', kind, reference) from o where email <> ''
                        union all
                        select 'phone', phone, format('the %s %s came with this number', kind, reference) from o where phone <> ''
                        union all
                        select distinct 'visitor', v.visitor::text, 'this browser landed on the website from a link'
                        from o join landing g on g.visitor = o.visitor and g.landed_at <= o.occurred_at
                            and g.landed_at > o.occurred_at - interval '180 days'
                        cross join lateral (
                            select visitor from visit where click_id = g.click_id and arrived_at = click_time(g.click_id)
                                and kind not in ('preview', 'proof') offset 0) v
                        union all
                        select distinct case when r.email <> '' then 'email' else 'phone' end,
                            case when r.email <> '' then r.email else r.phone end, 'a link sent there was opened'
                        from came join recipient r on r.id = came.recipient_id where r.email <> '' or r.phone <> ''
                        """)
                .param("outcome", outcome)
                .query((row, number) -> new Known(row.getString(1), row.getString(2), row.getString(3)))
                .list();
    }

    private Identity ensure(Known known) {
        jdbc.sql("""
                        insert into identity select ?, ?, ?, ?, ? where not exists (
                            select from identity where kind = ? and key = ?)
                        on conflict do nothing
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), known.kind(), known.key())
                .params(UUID.randomUUID(), known.kind(), known.key())
                .update();
        return jdbc.sql("select id, kind, key, person from identity where kind = ? and key = ?")
                .params(known.kind(), known.key())
                .query(PersonJoins::identity)
                .single();
    }

    /** A join that somebody has undone is not made again by itself. */
    private void join(Identity one, Identity other, String reason, String by) {
        if (by.isEmpty() && isShared(one, other)) {
            return;
        }
        int made = jdbc.sql("""
                        insert into identity_join select ?, least(?::uuid, ?::uuid), greatest(?::uuid, ?::uuid), ?, ?, ?, null, ''
                        on conflict (one, other) do update
                            set undone_at = null, undone_by = '', reason = excluded.reason, made_by = excluded.made_by
                            where identity_join.undone_at is not null and excluded.made_by <> ''
                        """)
                .params(BusinessScope.current().value(), one.id(), other.id(), one.id(), other.id())
                .params(reason, Timestamp.from(clock.instant()), by)
                .update();
        if (made > 0) {
            jdbc.sql("update identity set person = ? where person = ?")
                    .params(person(one.id()), person(other.id()))
                    .update();
        }
    }

    private boolean isShared(Identity one, Identity other) {
        Identity device = one.isContact() ? other : one;
        Identity contact = one.isContact() ? one : other;
        return !device.isContact()
                && contact.isContact()
                && jdbc.sql("""
                                select count(*) from identity_join j
                                join identity i on i.id = case when j.one = :id then j.other else j.one end
                                where (j.one = :id or j.other = :id) and j.undone_at is null
                                    and i.kind = :kind and i.id <> :contact
                                """)
                                .param("id", device.id())
                                .param("kind", contact.kind())
                                .param("contact", contact.id())
                                .query(Integer.class)
                                .single()
                        >= MOST_CONTACTS;
    }

    /** Somebody says that two outcomes are one person's. */
    List<UUID> merge(UUID outcome, UUID other, String by) {
        Optional<Identity> one = of(outcome);
        Optional<Identity> two = of(other);
        if (one.isEmpty()
                || two.isEmpty()
                || one.get().person().equals(two.get().person())) {
            return List.of();
        }
        join(one.get(), two.get(), by + " says they are one person", by);
        return outcomesOf(person(one.get().id()));
    }

    /** Takes back that a join was undone. */
    List<UUID> joinAgain(UUID one, UUID other, String by) {
        Optional<Identity> first = identity(one);
        Optional<Identity> second = identity(other);
        if (first.isEmpty() || second.isEmpty()) {
            return List.of();
        }
        join(first.get(), second.get(), by + " says they are one person", by);
        return outcomesOf(person(one));
    }

    private Optional<Identity> identity(UUID id) {
        return jdbc.sql("select id, kind, key, person from identity where id = ?")
                .param(id)
                .query(PersonJoins::identity)
                .optional();
    }

    /** Undoes a join: what hangs together without it stays one person each. */
    List<UUID> part(UUID one, UUID other, String by) {
        int undone = jdbc.sql("""
                        update identity_join set undone_at = ?, undone_by = ?
                        where one = ? and other = ? and undone_at is null
                        """)
                .params(Timestamp.from(clock.instant()), by, one, other)
                .update();
        if (undone == 0) {
            return List.of();
        }
        UUID before = person(one);
        List<UUID> affected = outcomesOf(before);
        tellApart(before);
        return affected;
    }

    private void tellApart(UUID person) {
        Map<UUID, UUID> leaders = new HashMap<>();
        identities(person).forEach(identity -> leaders.put(identity.id(), identity.id()));
        for (Join join : joins(person)) {
            if (!join.isUndone()) {
                leaders.put(
                        leader(leaders, join.one().id()),
                        leader(leaders, join.other().id()));
            }
        }
        Map<UUID, UUID> persons = new HashMap<>();
        for (UUID identity : leaders.keySet()) {
            UUID own = persons.computeIfAbsent(
                    leader(leaders, identity), leader -> persons.isEmpty() ? person : UUID.randomUUID());
            jdbc.sql("update identity set person = ? where id = ?")
                    .params(own, identity)
                    .update();
        }
    }

    private static UUID leader(Map<UUID, UUID> leaders, UUID identity) {
        UUID at = identity;
        UUID above = leaders.getOrDefault(at, at);
        while (!above.equals(at)) {
            at = above;
            above = leaders.getOrDefault(at, at);
        }
        return at;
    }

    /** Two of one person, and why they are; also what was undone. */
    record Join(Identity one, Identity other, String reason, String madeBy, boolean isUndone, String undoneBy) {}

    Optional<Identity> of(UUID outcome) {
        return jdbc.sql("""
                        select i.id, i.kind, i.key, i.person from trail t join identity i on i.id = t.identity_id
                        where t.outcome_id = ?
                        """).param(outcome).query(PersonJoins::identity).optional();
    }

    List<Identity> identities(UUID person) {
        return jdbc.sql("select id, kind, key, person from identity where person = ? order by kind, key")
                .param(person)
                .query(PersonJoins::identity)
                .list();
    }

    List<Join> joins(UUID person) {
        return new ArrayList<>(jdbc.sql("""
                        select a.id, a.kind, a.key, a.person, b.id, b.kind, b.key, b.person, j.reason, j.made_by,
                            j.undone_at is not null, j.undone_by
                        from identity_join j join identity a on a.id = j.one join identity b on b.id = j.other
                        where a.person = :person or b.person = :person order by j.made_at, j.one
                        """)
                .param("person", person)
                .query((row, number) -> new Join(
                        identity(row, number),
                        new Identity(
                                row.getObject(5, UUID.class),
                                row.getString(6),
                                row.getString(7),
                                row.getObject(8, UUID.class)),
                        row.getString(9),
                        row.getString(10),
                        row.getBoolean(11),
                        row.getString(12)))
                .list());
    }

    /** The newest; an address that books for many has no trail that would tell anything. */
    List<UUID> outcomesOf(UUID person) {
        return jdbc.sql("""
                        select o.id from identity i
                        cross join lateral (select outcome_id from trail where identity_id = i.id offset 0) t
                        join outcome o on o.id = t.outcome_id
                        where i.person = ? order by o.occurred_at desc limit ?
                        """).params(person, MOST_OUTCOMES).query(UUID.class).list();
    }

    private UUID person(UUID identity) {
        return jdbc.sql("select person from identity where id = ?")
                .param(identity)
                .query(UUID.class)
                .single();
    }

    private static Identity identity(ResultSet row, int number) throws SQLException {
        return new Identity(
                row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getObject(4, UUID.class));
    }
}
