package wendo.app.visit.disclosure;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface DisclosureRunRepository extends Repository<DisclosureRun, UUID> {
    List<DisclosureRun> findAll();

    void save(DisclosureRun run);
}
