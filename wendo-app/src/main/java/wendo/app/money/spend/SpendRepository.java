package wendo.app.money.spend;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SpendRepository extends Repository<StoredSpend, UUID> {
    Optional<StoredSpend> findById(UUID id);

    List<StoredSpend> findByOrigin(String origin);

    void save(StoredSpend spend);
}
