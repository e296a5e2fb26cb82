package wendo.app.prepare.destinations;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface DestinationRepository extends Repository<Destination, UUID> {
    Optional<Destination> findByAddress(String address);

    Optional<Destination> findById(UUID id);

    List<Destination> findAllByOrderByCreatedAtDesc();
}
