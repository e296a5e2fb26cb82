package wendo.app.outcome.income;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface IncomeStatementRepository extends Repository<IncomeStatement, UUID> {
    IncomeStatement save(IncomeStatement statement);

    Optional<IncomeStatement> findByNetworkIdAndStatement(UUID network, String statement);
}
