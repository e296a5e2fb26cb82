package wendo.app.credit;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CreditRuleRepository extends Repository<CreditRule, UUID> {
    /** A business has one at most. */
    Optional<CreditRule> findFirstBy();

    void save(CreditRule rule);
}
