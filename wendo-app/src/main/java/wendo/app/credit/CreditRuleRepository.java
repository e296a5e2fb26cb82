package wendo.app.credit;

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
}
