package wendo.app.compare.crosscheck;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CountAgreementRepository extends Repository<CountAgreement, UUID> {
    Optional<CountAgreement> findById(UUID check);

    Optional<CountAgreement> findByToken(String token);

    CountAgreement save(CountAgreement agreement);
}
