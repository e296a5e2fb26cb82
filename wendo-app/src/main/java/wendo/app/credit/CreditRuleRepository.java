package wendo.app.credit;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CreditRuleRepository extends Repository<CreditRule, UUID> {
    /** A business has one at most. */
    Optional<CreditRule> findFirstBy();

    void save(CreditRule rule);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update identity set key = 'erased-' || id where kind in ('email', 'phone') and lower(key) = any(:contacts)
            """)
    void eraseIdentities(String[] contacts);

    /** What was said is gone; the source that it led to stays. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = "update outcome_clue set said = '' where outcome_id = any(:outcomes)")
    void eraseClues(UUID[] outcomes);

    /** Addresses and numbers of outcomes that were all forgotten, which nothing else has: nobody is recognised by them again. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update identity i set key = 'erased-' || id where kind in ('email', 'phone') and key not like 'erased-%'
                and exists (select from trail t where t.identity_id = i.id)
                and not exists (select from trail t join outcome o on o.id = t.outcome_id
                    where t.identity_id = i.id and concat(o.email, o.phone) <> '')
                and not exists (select from outcome o where o.email = i.key or o.phone = i.key)
                and not exists (select from recipient r where r.email = i.key or r.phone = i.key)
            """)
    void eraseUnused();

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update outcome_clue c set said = '' from outcome o
            where o.id = c.outcome_id and o.occurred_at < :before and c.evidence = 'answer' and c.said <> ''
            """)
    void eraseAnswers(Instant before);
}
