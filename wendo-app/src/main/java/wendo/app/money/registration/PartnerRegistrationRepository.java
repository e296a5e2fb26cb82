package wendo.app.money.registration;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerRegistrationRepository extends Repository<PartnerRegistration, UUID> {
    PartnerRegistration save(PartnerRegistration registration);

    Optional<PartnerRegistration> findById(UUID id);

    List<PartnerRegistration> findTop200ByStateOrderByMadeAtAscIdAsc(String state);

    long countByState(String state);

    @Modifying
    @Query(nativeQuery = true, value = """
            update partner_registration set contact = '', email = cast(id as text), website = '', said = '',
                state = case when state = 'waiting' then 'declined' else state end, version = version + 1
            where lower(email) = any(:contacts)
            """)
    void erase(String[] contacts);
}
