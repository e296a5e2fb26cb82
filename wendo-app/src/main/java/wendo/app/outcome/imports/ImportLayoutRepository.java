package wendo.app.outcome.imports;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface ImportLayoutRepository extends Repository<ImportLayout, String> {
    Optional<ImportLayout> findById(String headingsKey);

    void save(ImportLayout layout);
}
