package wendo.app.place.newsletters;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface OptInRepository extends Repository<StoredOptIn, UUID> {
    Optional<StoredOptIn> findById(UUID link);

    void save(StoredOptIn optIn);
}
