package wendo.app.platform.sending;

import jakarta.persistence.LockModeType;
import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.jpa.SpecHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.Repository;

interface OutgoingRepository extends Repository<OutgoingMessage, UUID> {
    String SKIP_LOCKED = "-2"; // org.hibernate.LockOptions.SKIP_LOCKED

    void save(OutgoingMessage message);

    Optional<OutgoingMessage> findById(UUID id);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from OutgoingMessage m where m.id = :id")
    OutgoingMessage lock(UUID id);

    /** What another process takes is left to it. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = SpecHints.HINT_SPEC_LOCK_TIMEOUT, value = SKIP_LOCKED))
    @Query("select m from OutgoingMessage m where m.state = 'waiting' and m.dueAt <= :now order by m.dueAt")
    List<OutgoingMessage> lockDue(Instant now, Limit portion);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = SpecHints.HINT_SPEC_LOCK_TIMEOUT, value = SKIP_LOCKED))
    @Query("select m from OutgoingMessage m where m.state = 'sending' and m.claimedAt < :since")
    List<OutgoingMessage> lockLost(Instant since);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from OutgoingMessage m where m.leadId = :lead and m.purpose = 'plan' and m.state = 'waiting'")
    List<OutgoingMessage> lockPlan(UUID lead);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query(
            "select m from OutgoingMessage m where m.recipient = :contact and m.purpose = 'plan' and m.state = 'waiting'")
    List<OutgoingMessage> lockPlansTo(String contact);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query(
            "select m from OutgoingMessage m where m.recipient = :contact and m.needs in :purposes and m.state = 'waiting'")
    List<OutgoingMessage> lockNeeding(String contact, Collection<String> purposes);

    long countByStateAndDueAtBefore(String state, Instant by);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outgoing set state = 'stopped', said = '' where state = 'waiting'
                and (lead_id = any(:outcomes) or lower(recipient) = any(:contacts))
            """)
    void stopWaiting(UUID[] outcomes, String[] contacts);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update answer_received set text = '' where lead_id = any(:outcomes)
                or outgoing_id in (select id from outgoing where lower(recipient) = any(:contacts))
            """)
    void eraseAnswers(UUID[] outcomes, String[] contacts);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outgoing set recipient = '', subject = '', body = '', version = version + 1
            where lead_id = any(:outcomes) or lower(recipient) = any(:contacts)
            """)
    void erase(UUID[] outcomes, String[] contacts);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            delete from opted_out where lower(contact) = any(:contacts)
            """)
    void eraseOptOuts(String[] contacts);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = "delete from unreachable where contact = any(:contacts)")
    void eraseUnreachable(String[] contacts);

    @Query(nativeQuery = true, value = """
            select count(*) from outgoing
            where state not in ('waiting', 'sending') and coalesce(sent_at, due_at) < :before and recipient <> ''
            """)
    int countSent(Instant before);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outgoing set recipient = '', subject = '', body = '', version = version + 1
            where state not in ('waiting', 'sending') and coalesce(sent_at, due_at) < :before and recipient <> ''
            """)
    void eraseSent(Instant before);

    @Query(
            nativeQuery = true,
            value = "select count(*) from answer_received where text <> '' and received_at < :before")
    int countAnswers(Instant before);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(
            nativeQuery = true,
            value = "update answer_received set text = '' where text <> '' and received_at < :before")
    void eraseAnswers(Instant before);
}
