package wendo.app.lead.handover;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface HandoverRepository extends Repository<HandoverRule, UUID> {
    Optional<HandoverRule> findByReachAndReachId(String reach, UUID id);

    @Query("select rule from HandoverRule rule where rule.reach = 'business' or rule.reachId in :ids")
    List<HandoverRule> findForBusinessOr(Collection<UUID> ids);

    List<HandoverRule> findByPersonId(UUID person);

    void save(HandoverRule rule);

    void delete(HandoverRule rule);
}
