package wendo.app.lead.leads;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LeadEventRepository extends Repository<LeadEvent, UUID> {
    void save(LeadEvent event);

    void deleteByLeadId(UUID lead);
}
