package wendo.app.platform.consent;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ConsentRecordRepository extends Repository<ConsentRecord, UUID> {
    ConsentRecord save(ConsentRecord record);

    Optional<ConsentRecord> findById(UUID id);

    List<ConsentRecord> findByContactAndWithdrawnAtIsNull(String contact);

    boolean existsByContactAndPurposeAndWithdrawnAtIsNull(String contact, String purpose);

    boolean existsByContactAndPurposeAndWordsIdAndWithdrawnAtIsNull(String contact, String purpose, UUID wordsId);

    List<ConsentRecord> findByContactInAndPurposeAndWithdrawnAtIsNull(Collection<String> contacts, String purpose);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update consent_record set contact = 'erased-' || id, page = '' where lower(contact) = any(:contacts)
            """)
    void erase(String[] contacts);
}
