package wendo.app.money.registration;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface RegistrationPageRepository extends Repository<RegistrationPage, UUID> {
    Optional<RegistrationPage> findFirstBy();

    RegistrationPage save(RegistrationPage page);
}
