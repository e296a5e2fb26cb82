package wendo.app.issue.sharecards;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LinkCardRepository extends Repository<StoredLinkCard, UUID> {
    Optional<StoredLinkCard> findById(UUID link);

    void save(StoredLinkCard card);
}
