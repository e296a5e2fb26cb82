package wendo.app.audience.visitortags;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface VisitorTagRepository extends Repository<VisitorTag, UUID> {
    List<VisitorTag> findByRemovedAtIsNullOrderByNameAscIdAsc();

    Optional<VisitorTag> findByIdAndRemovedAtIsNull(UUID id);

    VisitorTag saveAndFlush(VisitorTag tag);
}
