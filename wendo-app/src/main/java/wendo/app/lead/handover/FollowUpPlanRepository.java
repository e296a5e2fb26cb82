package wendo.app.lead.handover;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface FollowUpPlanRepository extends Repository<FollowUpPlan, UUID> {
    List<FollowUpPlan> findAllByOrderByName();

    Optional<FollowUpPlan> findById(UUID id);

    void save(FollowUpPlan plan);
}
