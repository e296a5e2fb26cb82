package wendo.app.outcome.income;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface IncomeChangeRepository extends Repository<IncomeChange, UUID> {
    IncomeChange save(IncomeChange change);

    @Query("select distinct c.outcomeId from IncomeChange c where c.changedBy = ?1")
    List<UUID> changedBy(String by);

    /** The history of one, oldest first; what came at the same moment is told state first. */
    @Query("select c from IncomeChange c where c.outcomeId = ?1 order by c.changedAt, c.field desc")
    List<IncomeChange> of(UUID outcome);

    @Modifying
    @Query("delete IncomeChange c where c.outcomeId = ?1")
    void forget(UUID outcome);
}
