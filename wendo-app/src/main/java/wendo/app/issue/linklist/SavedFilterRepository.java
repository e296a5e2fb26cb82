package wendo.app.issue.linklist;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SavedFilterRepository extends Repository<SavedFilter, UUID> {
    @Query("select filter from SavedFilter filter order by lower(filter.name), filter.id")
    List<SavedFilter> findAll();

    Optional<SavedFilter> findByName(String name);

    void save(SavedFilter filter);

    void deleteById(UUID id);
}
