package wendo.app.platform.accounts;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface PasskeyRepository extends Repository<Passkey, UUID> {
    void save(Passkey passkey);

    Optional<Passkey> findByCredentialId(byte[] credential);

    Optional<Passkey> findByIdAndPersonId(UUID id, UUID person);

    List<Passkey> findByPersonIdOrderByCreatedAt(UUID person);

    int countByPersonId(UUID person);

    void delete(Passkey passkey);
}
