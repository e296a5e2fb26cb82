package wendo.app.money.registration;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PartnerRegistrationRepository extends Repository<PartnerRegistration, UUID> {
    PartnerRegistration save(PartnerRegistration registration);

    Optional<PartnerRegistration> findById(UUID id);

    List<PartnerRegistration> findTop200ByStateOrderByMadeAtAscIdAsc(String state);

    long countByState(String state);
}
