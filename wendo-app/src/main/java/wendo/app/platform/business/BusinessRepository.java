package wendo.app.platform.business;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface BusinessRepository extends Repository<BusinessAccount, UUID> {
    Optional<BusinessAccount> findById(UUID id);

    void save(BusinessAccount account);
}
