package wendo.app.platform.privacy;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface RetentionRepository extends Repository<StoredRetention, UUID> {
    /** A business has one at most. */
    Optional<StoredRetention> findFirstBy();

    void save(StoredRetention retention);
}
