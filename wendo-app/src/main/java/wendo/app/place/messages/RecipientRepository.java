package wendo.app.place.messages;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RecipientRepository extends Repository<Recipient, UUID> {
    void saveAll(Iterable<Recipient> recipients);

    List<Recipient> findByListIdOrderByLine(UUID list);

    @Query("select r.code from Recipient r where r.linkId = :link and r.code is not null")
    Set<String> codes(UUID link);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update recipient set name = '', phone = '', email = '', cells = array_fill(''::text, array[cardinality(cells)])
            where phone = any(:contacts) or lower(email) = any(:contacts)
            """)
    void erase(String[] contacts);

    @Query(nativeQuery = true, value = """
            select count(*) from recipient r join recipient_list li on li.id = r.list_id
            where li.created_at < :before and concat(r.name, r.phone, r.email) <> ''
            """)
    int countOlder(Instant before);

    /** Who tapped, and how many, stays. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update recipient r set name = '', phone = '', email = '', version = r.version + 1,
                cells = array_fill(''::text, array[cardinality(r.cells)])
            from recipient_list li
            where li.id = r.list_id and li.created_at < :before and concat(r.name, r.phone, r.email) <> ''
            """)
    void eraseOlder(Instant before);
}
