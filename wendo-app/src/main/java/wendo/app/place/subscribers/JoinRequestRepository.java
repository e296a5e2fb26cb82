package wendo.app.place.subscribers;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface JoinRequestRepository extends Repository<JoinRequest, UUID> {
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from JoinRequest r where r.listId = :list and r.email = :email")
    Optional<JoinRequest> lock(UUID list, String email);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from JoinRequest r where r.id = :id")
    Optional<JoinRequest> lock(UUID id);

    Optional<JoinRequest> findById(UUID id);

    JoinRequest saveAndFlush(JoinRequest request);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("delete from JoinRequest r where r.expiresAt < :now")
    int deleteExpired(Instant now);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("delete from JoinRequest r where r.email = :email")
    int deleteOf(String email);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = "delete from join_request where lower(email) = any(:contacts)")
    void erase(String[] contacts);
}
