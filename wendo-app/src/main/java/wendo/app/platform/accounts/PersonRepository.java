package wendo.app.platform.accounts;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

interface PersonRepository extends Repository<Person, UUID> {
    Optional<Person> findByEmail(String email);

    Optional<Person> findById(UUID id);

    boolean existsByEmail(String email);

    /** Of two who use one code at once, the second waits and finds it used. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<Person> findAndLockById(UUID id);

    long count();

    void save(Person person);
}
