package wendo.app.lead.forms;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface FormRepository extends Repository<StoredForm, UUID> {
    Optional<StoredForm> findById(UUID id);

    void save(StoredForm form);
}
