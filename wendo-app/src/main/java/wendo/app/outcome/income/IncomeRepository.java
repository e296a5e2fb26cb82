package wendo.app.outcome.income;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface IncomeRepository extends Repository<StoredIncome, UUID> {
    StoredIncome save(StoredIncome income);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select i from StoredIncome i where i.id = ?1")
    Optional<StoredIncome> lock(UUID outcome);

    @Modifying
    @Query("delete StoredIncome i where i.id = ?1")
    void forget(UUID outcome);
}
