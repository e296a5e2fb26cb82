package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;

/**
 * Joins what stands for one person. Runs in the transaction of its caller, which holds the lock of the business's
 * crediting.
 */
@Component
class PersonJoins {
    /** A browser that so many contacts used is a shared one, like a counter's: it joins no more of them. Ours. */
    private static final int MOST_CONTACTS = 4;

    private final IdentityQueries knownBy;
    private final Identities identities;
    private final JdbcClient jdbc;
    private final Clock clock;

    PersonJoins(IdentityQueries knownBy, Identities identities, JdbcClient jdbc, Clock clock) {
        this.knownBy = knownBy;
        this.identities = identities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Joins what came with an outcome to one person, and answers the person whose outcomes may be credited differently now. */
    List<UUID> join(UUID outcome) {
        List<IdentityQueries.Known> known = knownBy.of(outcome);
        if (known.isEmpty()) {
            return List.of(outcome);
        }
        Identity first = identities.ensure(known.get(0).kind(), known.get(0).key());
        for (IdentityQueries.Known other : known.subList(1, known.size())) {
            Identity next = identities.ensure(other.kind(), other.key());
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
        return identities.outcomesOf(identities.person(first.id()));
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
            identities.become(identities.person(other.id()), identities.person(one.id()));
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
        Optional<Identity> one = identities.of(outcome);
        Optional<Identity> two = identities.of(other);
        if (one.isEmpty()
                || two.isEmpty()
                || one.get().person().equals(two.get().person())) {
            return List.of();
        }
        join(one.get(), two.get(), Texts.kept("credit.says-one-person", by), by);
        return identities.outcomesOf(identities.person(one.get().id()));
    }

    /** Takes back that a join was undone. */
    List<UUID> joinAgain(UUID one, UUID other, String by) {
        Optional<Identity> first = identities.find(one);
        Optional<Identity> second = identities.find(other);
        if (first.isEmpty() || second.isEmpty()) {
            return List.of();
        }
        join(first.get(), second.get(), Texts.kept("credit.says-one-person", by), by);
        return identities.outcomesOf(identities.person(one));
    }
}
