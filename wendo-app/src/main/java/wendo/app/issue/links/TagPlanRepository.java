package wendo.app.issue.links;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface TagPlanRepository extends Repository<StoredTagPlan, UUID> {
    List<StoredTagPlan> findAllByOrderByIsDefaultDescNameAsc();

    Optional<StoredTagPlan> findById(UUID id);

    Optional<StoredTagPlan> findByIsDefaultTrue();

    void saveAndFlush(StoredTagPlan plan);

    void delete(StoredTagPlan plan);
}
