package wendo.app.audience.mailings;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/**
 * The people of a mailing. They come by the hundred thousand and are taken in portions, each in one statement, so that of
 * two processes one gets each person.
 */
@Component
class MailingMessages {
    private final JdbcClient jdbc;

    MailingMessages(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Somebody whose turn it is. */
    record Next(UUID recipient, String name, String contact, String code) {}

    /** How many there are of each kind; {@code sent} have left, {@code failed} never will. */
    record Progress(long people, long heldOut, long waiting, long sent, long failed, long withdrawn, long tapped) {
        /** How many are to be written to. */
        public long toWrite() {
            return people - heldOut;
        }

        /** In per cent. */
        public long done() {
            return toWrite() == 0 ? 100 : 100 * (toWrite() - waiting) / toWrite();
        }
    }

    /** @param persons beside the recipients, in the same order */
    void add(UUID mailing, List<UUID> recipients, List<Long> persons, List<String> states) {
        jdbc.sql("""
                        insert into mailing_message (recipient_id, business_id, mailing_id, person_id, state)
                        select recipient, :business, :mailing, person, state
                        from unnest(cast(:recipients as uuid[]), cast(:persons as bigint[]), cast(:states as text[]))
                            as one (recipient, person, state)
                        """)
                .param("business", BusinessScope.current().value())
                .param("mailing", mailing)
                .param("recipients", recipients.toArray(UUID[]::new))
                .param("persons", persons.toArray(Long[]::new))
                .param("states", states.toArray(String[]::new))
                .update();
    }

    /** Takes a portion: whoever is taken is handed on in this transaction, or stays. */
    List<Next> take(UUID mailing, int most, Instant now) {
        return jdbc.sql("""
                        with next as (
                            select recipient_id from mailing_message where mailing_id = :mailing and state = 'waiting'
                            order by recipient_id limit :most for update skip locked)
                        update mailing_message m set state = 'handed', handed_at = :now
                        from next join recipient r on r.id = next.recipient_id where m.recipient_id = next.recipient_id
                        returning m.recipient_id, r.name, coalesce(nullif(r.email, ''), r.phone), coalesce(r.code, '')
                        """)
                .param("mailing", mailing)
                .param("most", most)
                .param("now", Timestamp.from(now))
                .query((row, number) ->
                        new Next(row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getString(4)))
                .list();
    }

    /** What was handed on of whom. */
    void handed(List<UUID> recipients, List<UUID> outgoing) {
        jdbc.sql("""
                        update mailing_message m set outgoing_id = one.outgoing
                        from unnest(cast(? as uuid[]), cast(? as uuid[])) as one (recipient, outgoing)
                        where m.recipient_id = one.recipient
                        """)
                .params(recipients.toArray(UUID[]::new), outgoing.toArray(UUID[]::new))
                .update();
    }

    void stopWaiting(UUID mailing) {
        jdbc.sql("update mailing_message set state = 'stopped' where mailing_id = ? and state = 'waiting'")
                .param(mailing)
                .update();
    }

    boolean isOver(UUID mailing) {
        return jdbc.sql("select not exists (select from mailing_message where mailing_id = ? and state = 'waiting')")
                .param(mailing)
                .query(Boolean.class)
                .single();
    }

    Progress progress(UUID mailing) {
        return jdbc.sql("""
                        select count(*), count(*) filter (where m.state = 'held-out'),
                            count(*) filter (where m.state = 'waiting' or o.state in ('waiting', 'sending')),
                            count(*) filter (where o.state in ('sent', 'delivered', 'unsure')),
                            count(*) filter (where o.state = 'failed'),
                            count(*) filter (where o.state = 'stopped' or m.state = 'stopped'),
                            count(*) filter (where exists (
                                select from visit v where v.recipient_id = m.recipient_id and v.kind = 'person'))
                        from mailing_message m left join outgoing o on o.id = m.outgoing_id where m.mailing_id = ?
                        """)
                .param(mailing)
                .query((row, number) -> new Progress(
                        row.getLong(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getLong(4),
                        row.getLong(5),
                        row.getLong(6),
                        row.getLong(7)))
                .single();
    }

    /**
     * Whom a mailing has written to since then, or held out: were only the others spared, the next mailing would reach more
     * of those held out, and the comparison with them would be worth nothing.
     */
    List<Long> inAnother(Instant since) {
        return jdbc.sql("""
                        select person_id from mailing_message where handed_at >= :since and person_id is not null
                        union
                        select m.person_id from mailing_message m join mailing g on g.id = m.mailing_id
                        where m.state = 'held-out' and g.started_at >= :since and m.person_id is not null
                        """)
                .param("since", Timestamp.from(since))
                .query(Long.class)
                .list();
    }
}
