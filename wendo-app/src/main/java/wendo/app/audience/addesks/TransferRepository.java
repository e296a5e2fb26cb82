package wendo.app.audience.addesks;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface TransferRepository extends Repository<Transfer, UUID> {
    Optional<Transfer> findById(UUID id);

    List<Transfer> findByAudienceIdAndEndedAtIsNullOrderByMadeAtAscIdAsc(UUID audience);

    long countByDeskIdAndEndedAtIsNull(UUID desk);

    Transfer save(Transfer transfer);
}
