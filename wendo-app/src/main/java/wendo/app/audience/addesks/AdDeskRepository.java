package wendo.app.audience.addesks;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface AdDeskRepository extends Repository<AdDesk, UUID> {
    List<AdDesk> findByRemovedAtIsNullOrderByNameAscIdAsc();

    Optional<AdDesk> findById(UUID id);

    AdDesk save(AdDesk desk);
}
