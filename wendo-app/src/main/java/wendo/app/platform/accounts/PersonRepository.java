package wendo.app.platform.accounts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PersonRepository extends Repository<Person, UUID> {
    Optional<Person> findByEmail(String email);

    Optional<Person> findById(UUID id);

    long count();

    void save(Person person);
}
