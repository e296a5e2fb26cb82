package wendo.app.money.exchange;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PartnerClaimRepository extends Repository<PartnerClaim, UUID> {
    PartnerClaim save(PartnerClaim claim);

    Optional<PartnerClaim> findById(UUID id);

    List<PartnerClaim> findTop100ByPartnerIdOrderByMadeAtDescIdAsc(UUID partner);

    long countByPartnerIdAndState(UUID partner, String state);
}
