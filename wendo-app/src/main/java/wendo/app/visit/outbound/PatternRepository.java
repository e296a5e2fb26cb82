package wendo.app.visit.outbound;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PatternRepository extends Repository<StoredPattern, UUID> {
    void save(StoredPattern pattern);

    boolean existsByWorthNetworkIdNotNull();

    void deleteById(UUID id);
}
