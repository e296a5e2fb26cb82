package wendo.app.credit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/** What people are recognised by, how it hangs together, and the outcomes that came with it. */
@Component
class Identities {
    /** At most so many of one person's outcomes are credited again when one of them changes. */
    private static final int MOST_OUTCOMES = 200;

    private static final String IDENTITY = "select id, kind, key, person from identity where ";

    private final JdbcClient jdbc;

    Identities(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Two of one person, and why they are; also what was undone. */
    record Join(Identity one, Identity other, String reason, String madeBy, boolean isUndone, String undoneBy) {}

    Optional<Identity> of(UUID outcome) {
        return jdbc.sql("""
                        select i.id, i.kind, i.key, i.person from trail t join identity i on i.id = t.identity_id
                        where t.outcome_id = ?
                        """).param(outcome).query(Identities::identity).optional();
    }

    List<Identity> ofPerson(UUID person) {
        return jdbc.sql(IDENTITY + "person = ? order by kind, key")
                .param(person)
                .query(Identities::identity)
                .list();
    }

    List<Join> joins(UUID person) {
        return jdbc.sql("""
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
                .list();
    }

    /** Only the newest: an address that books for many people has no meaningful trail. */
    List<UUID> outcomesOf(UUID person) {
        return jdbc.sql("""
                        select o.id from identity i
                        cross join lateral (select outcome_id from trail where identity_id = i.id offset 0) t
                        join outcome o on o.id = t.outcome_id
                        where i.person = ? order by o.occurred_at desc limit ?
                        """).params(person, MOST_OUTCOMES).query(UUID.class).list();
    }

    Optional<Identity> find(UUID id) {
        return jdbc.sql(IDENTITY + "id = ?")
                .param(id)
                .query(Identities::identity)
                .optional();
    }

    UUID person(UUID identity) {
        return jdbc.sql("select person from identity where id = ?")
                .param(identity)
                .query(UUID.class)
                .single();
    }

    /** Adds it as a person of its own, unless it is known. */
    Identity ensure(String kind, String key) {
        jdbc.sql("""
                        insert into identity select ?, ?, ?, ?, ? where not exists (
                            select from identity where kind = ? and key = ?)
                        on conflict do nothing
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), kind, key)
                .params(UUID.randomUUID(), kind, key)
                .update();
        return jdbc.sql(IDENTITY + "kind = ? and key = ?")
                .params(kind, key)
                .query(Identities::identity)
                .single();
    }

    /** Replaces one person by another. */
    void become(UUID before, UUID after) {
        jdbc.sql("update identity set person = ? where person = ?")
                .params(after, before)
                .update();
    }

    void belong(UUID identity, UUID person) {
        jdbc.sql("update identity set person = ? where id = ?")
                .params(person, identity)
                .update();
    }

    private static Identity identity(ResultSet row, int number) throws SQLException {
        return new Identity(
                row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getObject(4, UUID.class));
    }
}
