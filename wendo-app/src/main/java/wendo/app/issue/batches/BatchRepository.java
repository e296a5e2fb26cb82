package wendo.app.issue.batches;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface BatchRepository extends Repository<StoredBatch, UUID> {
    List<StoredBatch> findAllByOrderByCreatedAtDesc(Limit most);

    Optional<StoredBatch> findById(UUID id);

    /** Of two who move it on at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select batch from StoredBatch batch where batch.id = :id")
    Optional<StoredBatch> lock(UUID id);

    void save(StoredBatch batch);

    void delete(StoredBatch batch);

    /** Progress is no edit, so it raises no version. */
    @Modifying
    @Query("update StoredBatch batch set batch.done = :done where batch.id = :id")
    void progress(UUID id, int done);

    @Modifying
    @Query(
            "update StoredBatch batch set batch.failingPages = :failing, batch.unseenPages = :unseen where batch.id = :id")
    void looked(UUID id, String[] failing, int unseen);
}
