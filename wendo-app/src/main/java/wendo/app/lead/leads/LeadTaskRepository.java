package wendo.app.lead.leads;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LeadTaskRepository extends Repository<LeadTask, UUID> {
    Optional<LeadTask> findByIdAndLeadId(UUID id, UUID lead);

    void deleteByLeadId(UUID lead);
}
