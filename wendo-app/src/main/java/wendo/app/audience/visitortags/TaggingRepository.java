package wendo.app.audience.visitortags;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface TaggingRepository extends Repository<StoredTagging, UUID> {
    /** A business has one at most. */
    Optional<StoredTagging> findFirstBy();

    void save(StoredTagging tagging);
}
