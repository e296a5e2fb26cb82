package wendo.app.money.spend;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SpendFileRepository extends Repository<StoredSpendFile, UUID> {
    Optional<StoredSpendFile> findById(UUID id);

    void save(StoredSpendFile file);
}
