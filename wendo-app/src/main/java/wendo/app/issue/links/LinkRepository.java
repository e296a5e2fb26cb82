package wendo.app.issue.links;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LinkRepository extends Repository<Link, UUID> {
    List<Link> findAllByDestinationId(UUID destination);

    List<Link> findAllByIdIn(Collection<UUID> ids);

    Optional<Link> findById(UUID id);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("update versioned Link one set one.ownerId = :to where one.ownerId = :from")
    void handOver(UUID from, @Nullable UUID to);
}
