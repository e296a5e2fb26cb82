package wendo.app.money.exchange;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerClaimRepository extends Repository<PartnerClaim, UUID> {
    PartnerClaim save(PartnerClaim claim);

    Optional<PartnerClaim> findById(UUID id);

    List<PartnerClaim> findTop100ByPartnerIdOrderByMadeAtDescIdAsc(UUID partner);

    long countByPartnerIdAndState(UUID partner, String state);

    @Modifying
    @Query(nativeQuery = true, value = """
            update partner_claim c set said = '', reason = '', version = c.version + 1 from outcome o
            where o.id = any(:outcomes) and o.kind = c.outcome_kind and o.reference_key = c.reference_key
            """)
    void erase(UUID[] outcomes);
}
