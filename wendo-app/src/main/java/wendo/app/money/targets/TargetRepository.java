package wendo.app.money.targets;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface TargetRepository extends Repository<SetTarget, UUID> {
    List<SetTarget> findAll();

    Optional<SetTarget> findBySourceId(UUID source);

    Optional<SetTarget> findBySourceIdIsNull();

    void save(SetTarget target);

    void delete(SetTarget target);
}
