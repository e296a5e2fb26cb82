package wendo.app.issue.links;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LinkRepository extends Repository<Link, UUID> {
    List<Link> findAllByDestinationId(UUID destination);

    List<Link> findAllByIdIn(Collection<UUID> ids);

    Optional<Link> findById(UUID id);
}
