package wendo.app.visit.disclosure;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface DisclosureRepository extends Repository<Disclosure, UUID> {
    List<Disclosure> findAll();

    void save(Disclosure disclosure);
}
