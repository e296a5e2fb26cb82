package wendo.app.links;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface DestinationRepository extends Repository<Destination, UUID> {
    Optional<Destination> findByAddress(String address);
}
