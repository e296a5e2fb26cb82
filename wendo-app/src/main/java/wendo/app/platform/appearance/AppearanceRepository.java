package wendo.app.platform.appearance;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface AppearanceRepository extends Repository<StoredAppearance, UUID> {
    /** A business has one at most. */
    Optional<StoredAppearance> findFirstBy();

    void save(StoredAppearance appearance);
}
