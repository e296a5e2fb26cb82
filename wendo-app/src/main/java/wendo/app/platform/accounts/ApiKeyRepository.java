package wendo.app.platform.accounts;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface ApiKeyRepository extends Repository<ApiKey, UUID> {
    List<ApiKey> findByRevokedAtIsNullOrderByCreatedAtDescIdAsc();

    Optional<ApiKey> findById(UUID id);

    void save(ApiKey key);

    List<ApiKey> findByCreatedByAndRevokedAtIsNull(UUID person);
}
