package wendo.app.place.placements;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PlacementRepository extends Repository<Placement, UUID> {
    Optional<Placement> findByIdAndLinkId(UUID id, UUID link);

    void save(Placement placement);

    void delete(Placement placement);
}
