package wendo.app.compare.crosscheck;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CheckRepository extends Repository<StoredCheck, UUID> {
    Optional<StoredCheck> findById(UUID id);

    void save(StoredCheck check);
}
