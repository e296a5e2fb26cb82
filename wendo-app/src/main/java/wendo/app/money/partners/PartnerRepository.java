package wendo.app.money.partners;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerRepository extends Repository<Partner, UUID> {
    Partner save(Partner partner);

    List<Partner> findAll();

    long count();

    Optional<Partner> findById(UUID id);

    Optional<Partner> findByPageToken(String token);

    /** Whoever works out or settles what a partner earned does so alone. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from Partner p where p.id = ?1")
    Optional<Partner> lock(UUID id);

    /** The page opens no more by a code that went to this person. */
    @Modifying
    @Query(nativeQuery = true, value = """
            update partner set contact = '', email = '', phone = '', note = '', page_by_code = false,
                page_token = case when page_by_code then null else page_token end, version = version + 1
            where phone = any(:contacts) or lower(email) = any(:contacts)
            """)
    void erase(String[] contacts);

    @Modifying
    @Query("update Partner p set p.pageOpenedAt = ?2 where p.id = ?1")
    void opened(UUID id, Instant now);
}
