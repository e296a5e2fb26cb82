package wendo.app.links;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LinkRepository extends Repository<Link, UUID> {
    List<Link> findAllByDestinationId(UUID destination);
}
