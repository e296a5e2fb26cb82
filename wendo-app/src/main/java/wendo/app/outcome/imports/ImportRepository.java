package wendo.app.outcome.imports;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ImportRepository extends Repository<StoredImport, UUID> {
    List<StoredImport> findAllByOrderByCreatedAtDesc(Limit most);

    Optional<StoredImport> findById(UUID id);

    /** Of two who move it on at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select file from StoredImport file where file.id = :id")
    Optional<StoredImport> lock(UUID id);

    void save(StoredImport file);

    void delete(StoredImport file);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update import_row r set cells = array_fill(''::text, array[cardinality(cells)]), said = '', was = null
            where r.outcome_id = any(:outcomes) or exists (select from unnest(r.cells) c where lower(trim(c)) = any(:contacts))
            """)
    void erase(UUID[] outcomes, String[] contacts);
}
