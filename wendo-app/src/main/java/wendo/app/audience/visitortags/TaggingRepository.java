package wendo.app.audience.visitortags;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface TaggingRepository extends Repository<StoredTagging, UUID> {
    /** A business has one at most. */
    Optional<StoredTagging> findFirstBy();

    /** Two who change tags at once write it down one after the other, the second with what the first changed. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select t from StoredTagging t")
    Optional<StoredTagging> lock();

    void save(StoredTagging tagging);
}
