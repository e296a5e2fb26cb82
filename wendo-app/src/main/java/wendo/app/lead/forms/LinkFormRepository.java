package wendo.app.lead.forms;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LinkFormRepository extends Repository<LinkForm, UUID> {
    Optional<LinkForm> findById(UUID link);

    void save(LinkForm form);
}
