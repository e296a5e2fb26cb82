package wendo.app.lead.leads;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LeadRepository extends Repository<Lead, UUID> {
    /** Of two who change it at once the second waits, so neither change is lost. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select lead from Lead lead where lead.outcomeId = :outcome")
    Optional<Lead> lock(UUID outcome);

    Optional<Lead> findById(UUID outcome);

    void delete(Lead lead);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("update versioned Lead one set one.ownerId = :to where one.ownerId = :from")
    void handOver(UUID from, @Nullable UUID to);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update lead set note = '', lost_reason = '', version = version + 1 where outcome_id = any(:outcomes)
            """)
    void erase(UUID[] outcomes);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update lead_event set said = '' where lead_id = any(:outcomes)
            """)
    void eraseEvents(UUID[] outcomes);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update lead_task set text = '' where lead_id = any(:outcomes)
            """)
    void eraseTasks(UUID[] outcomes);

    /** Leads where nothing was done for so long, of whom it is still known who they were. */
    @Query(nativeQuery = true, value = """
            select l.outcome_id from lead l join outcome o on o.id = l.outcome_id
            where o.occurred_at < :before
                and not exists (select from lead_event e where e.lead_id = l.outcome_id and e.at >= :before)
                and (concat(o.name, o.email, o.phone, o.note, o.answer, l.note, l.lost_reason) <> ''
                    or exists (select from lead_event e where e.lead_id = l.outcome_id and e.said <> '')
                    or exists (select from lead_task t where t.lead_id = l.outcome_id and t.text <> ''))
            """)
    Set<UUID> findUntouched(Instant before);
}
