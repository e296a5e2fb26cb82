package wendo.app.place.messages;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RecipientListRepository extends Repository<StoredList, UUID> {
    /** Of two who change it at once the second waits. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select list from StoredList list where list.id = :id")
    Optional<StoredList> lock(UUID id);

    void save(StoredList list);
}
