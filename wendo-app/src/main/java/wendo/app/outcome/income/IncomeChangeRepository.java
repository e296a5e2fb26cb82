package wendo.app.outcome.income;

import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface IncomeChangeRepository extends Repository<IncomeChange, UUID> {
    IncomeChange save(IncomeChange change);

    @Modifying
    @Query("delete IncomeChange c where c.outcomeId = ?1")
    void forget(UUID outcome);
}
