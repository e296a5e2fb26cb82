package wendo.app.place.subscribers;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SubscriberRepository extends Repository<Subscriber, UUID> {
    Subscriber saveAndFlush(Subscriber subscriber);

    /** Tests left out. */
    @Query("select s from Subscriber s where s.email = :email and s.proofId is null")
    Optional<Subscriber> findReal(String email);

    @Query("select s from Subscriber s where s.id in :ids and s.proofId is null")
    List<Subscriber> findReal(Collection<UUID> ids);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update subscriber set email = 'erased-' || id where lower(email) = any(:contacts)
            """)
    void erase(String[] contacts);

    /** Those who withdrew their consent so long ago, and gave none since. */
    String WITHDREW = """
            from subscriber u where u.email not like 'erased-%'
                and exists (select from consent_record r where r.contact = u.email and r.purpose = 'email-news'
                    and r.withdrawn_at < :before)
                and not exists (select from consent_record r where r.contact = u.email and r.purpose = 'email-news'
                    and (r.withdrawn_at is null or r.withdrawn_at >= :before))
            """;

    @Query(nativeQuery = true, value = "select count(*) " + WITHDREW)
    int countWithdrawn(Instant before);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(
            nativeQuery = true,
            value = "update subscriber set email = 'erased-' || id where id in (select u.id " + WITHDREW + ")")
    void eraseWithdrawn(Instant before);
}
