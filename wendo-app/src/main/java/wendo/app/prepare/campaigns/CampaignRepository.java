package wendo.app.prepare.campaigns;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CampaignRepository extends Repository<Campaign, UUID> {
    List<Campaign> findAllByOrderByCreatedAtDesc();

    Optional<Campaign> findByTag(String tag);

    Optional<Campaign> findById(UUID id);
}
