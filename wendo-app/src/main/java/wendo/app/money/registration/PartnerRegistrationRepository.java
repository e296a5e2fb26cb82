package wendo.app.money.registration;

import java.util.List;
import java.util.Optional;
import java.util.Set;
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
    @Query("""
            update versioned PartnerRegistration r set r.contact = '', r.email = '', r.website = '', r.said = '',
                r.state = case when r.state = 'waiting' then 'declined' else r.state end
            where lower(r.email) in ?1
            """)
    void erase(Set<String> contacts);
}
