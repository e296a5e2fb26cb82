package wendo.app.platform.appearance;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LogoRepository extends Repository<StoredLogo, UUID> {
    /** A business has one at most. */
    Optional<StoredLogo> findFirstBy();

    long count();

    void save(StoredLogo logo);

    void deleteAll();
}
