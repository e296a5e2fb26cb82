package wendo.app.outcome.networks;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface NetworkRepository extends Repository<StoredNetwork, UUID> {
    List<StoredNetwork> findAllByOrderByArchivedAscNameAsc();

    Optional<StoredNetwork> findById(UUID id);

    void save(StoredNetwork network);
}
