package wendo.app.money.partners;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerRepository extends Repository<Partner, UUID> {
    Partner save(Partner partner);

    List<Partner> findAll();

    long count();

    Optional<Partner> findById(UUID id);

    Optional<Partner> findByPageToken(String token);

    /** Whoever works out or settles what partners earned does so alone, and locks them in this order. */
    @Query(value = "select id from partner where id in (?1) order by id for no key update", nativeQuery = true)
    List<UUID> lock(Collection<UUID> ids);

    /** A page that opens with a code by mail opens no more: there is nobody left whom it goes to. */
    @Modifying
    @Query("""
            update versioned Partner p set p.contact = '', p.email = '', p.phone = '', p.note = '',
                p.pageToken = case when p.pageByCode then null else p.pageToken end
            where p.phone in ?1 or lower(p.email) in ?1
            """)
    void erase(Set<String> contacts);

    @Modifying
    @Query("update Partner p set p.pageOpenedAt = ?2 where p.id = ?1")
    void opened(UUID id, Instant now);
}
