package wendo.app.place.messages;

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
}
