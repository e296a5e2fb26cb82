package wendo.app.money.exchange;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerMaterialRepository extends Repository<PartnerMaterial, UUID> {
    PartnerMaterial save(PartnerMaterial material);

    Optional<PartnerMaterial> findById(UUID id);

    @Query("select m from PartnerMaterial m where m.partnerId = ?1 or m.partnerId is null order by m.madeAt desc, m.id")
    List<PartnerMaterial> findFor(UUID partner);

    void delete(PartnerMaterial material);
}
