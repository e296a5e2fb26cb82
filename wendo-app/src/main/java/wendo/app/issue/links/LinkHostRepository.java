package wendo.app.issue.links;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LinkHostRepository extends Repository<StoredHost, UUID> {
    List<StoredHost> findAll();

    List<StoredHost> findByRetiredAtIsNullOrderByIsDefaultDescNameAsc();

    Optional<StoredHost> findByIsDefaultTrue();

    Optional<StoredHost> findByName(String name);

    Optional<StoredHost> findById(UUID id);

    /** Of two who choose the default at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select host from StoredHost host order by host.id")
    List<StoredHost> lockAll();

    void saveAndFlush(StoredHost host);
}
