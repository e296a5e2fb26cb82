package wendo.app.issue.sharecards;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PageCardRepository extends Repository<StoredPageCard, UUID> {
    Optional<StoredPageCard> findById(UUID destination);

    void save(StoredPageCard card);
}
