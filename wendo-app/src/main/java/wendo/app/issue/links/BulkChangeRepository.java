package wendo.app.issue.links;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface BulkChangeRepository extends Repository<BulkChange, UUID> {
    /** Of two who undo it at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select change from BulkChange change where change.id = :id")
    Optional<BulkChange> lock(UUID id);

    @Query("select row from BulkChangeRow row where row.changeId = :change")
    List<BulkChangeRow> rows(UUID change);
}
