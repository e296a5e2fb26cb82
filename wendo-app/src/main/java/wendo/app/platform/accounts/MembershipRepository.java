package wendo.app.platform.accounts;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface MembershipRepository extends Repository<StoredMembership, UUID> {
    void save(StoredMembership membership);
}
