package wendo.app.money.partners;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface TermsRepository extends Repository<StoredTerms, UUID> {
    StoredTerms save(StoredTerms terms);

    void delete(StoredTerms terms);

    Optional<StoredTerms> findById(UUID id);

    List<StoredTerms> findByPartnerIdOrderByFirstDayDescWay(UUID partner);
}
