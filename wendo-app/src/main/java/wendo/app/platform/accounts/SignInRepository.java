package wendo.app.platform.accounts;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface SignInRepository extends Repository<SignIn, UUID> {
    void save(SignIn signIn);

    List<SignIn> findByPersonIdOrderByAtDesc(UUID person, Limit most);

    void deleteByPersonIdAndAtBefore(UUID person, Instant before);
}
