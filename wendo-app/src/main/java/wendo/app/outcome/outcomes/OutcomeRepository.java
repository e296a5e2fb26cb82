package wendo.app.outcome.outcomes;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OutcomeRepository extends Repository<Outcome, UUID> {
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from Outcome o where o.id = :id")
    Optional<Outcome> lock(UUID id);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from Outcome o where o.kind = :kind and o.referenceKey = :key")
    Optional<Outcome> lock(String kind, String key);

    @Query(nativeQuery = true, value = "select * from outcome where kind = :kind and reference_key = any(:keys)")
    List<Outcome> findAll(String kind, String[] keys); // thousands of them, from a file

    @Query("select o.id from Outcome o where o.visitor in :visitors")
    List<UUID> ofVisitors(Collection<UUID> visitors);

    void delete(Outcome outcome);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outcome o set name = '', email = '', phone = '', note = '', answer = '', version = version + 1,
                answer_key = case when exists (select from source_clue c where c.key = o.answer_key) then o.answer_key else '' end
            where o.id = any(:outcomes)
            """)
    void erase(UUID[] outcomes);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outcome_change set before = '', after = '' where outcome_id = any(:outcomes)
                and field in ('name', 'email', 'phone', 'note', 'answer')
            """)
    void eraseChanges(UUID[] outcomes);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            delete from outcome_review where exists (select from unnest(:contacts) c where position(c in lower(body::text)) > 0)
            """)
    void eraseReviews(String[] contacts);

    /** Leads are their own matter. */
    @Query(nativeQuery = true, value = """
            select o.id from outcome o
            where o.occurred_at < :before and (o.kind <> 'lead' or o.is_proof)
                and concat(o.name, o.email, o.phone, o.note) <> ''
            """)
    Set<UUID> findNamed(Instant before);

    @Query(nativeQuery = true, value = "select count(*) from outcome where answer <> '' and occurred_at < :before")
    int countAnswers(Instant before);

    /** Without what was said, an answer still leads to the source that it led to. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outcome o set answer = '', version = version + 1,
                answer_key = case when exists (select from source_clue c where c.key = o.answer_key) then o.answer_key else '' end
            where answer <> '' and occurred_at < :before
            """)
    void eraseAnswers(Instant before);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outcome set version = version + 1,
                day_began_at = (day_began_at at time zone :before) at time zone :after,
                occurred_at = (occurred_at at time zone :before) at time zone :after
            where day_began_at is not null
            """)
    void moveDays(String before, String after);
}
