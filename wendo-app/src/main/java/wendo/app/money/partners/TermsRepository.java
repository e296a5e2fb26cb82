package wendo.app.money.partners;

import jakarta.persistence.QueryHint;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.Repository;

interface TermsRepository extends Repository<StoredTerms, UUID> {
    StoredTerms save(StoredTerms terms);

    void delete(StoredTerms terms);

    Optional<StoredTerms> findById(UUID id);

    /** Read only, or each statement of a business with many partners would look whether one of them was changed. */
    @QueryHints(@QueryHint(name = HibernateHints.HINT_READ_ONLY, value = "true"))
    List<StoredTerms> findByPartnerIdOrderByFirstDayDescWay(UUID partner);
}
