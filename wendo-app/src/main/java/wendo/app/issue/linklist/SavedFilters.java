package wendo.app.issue.linklist;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Limits;

/** Filters that were given a name, for everybody in the business. */
@Service
class SavedFilters {
    static final int MAX_NAME = Limits.FILTER_NAME;

    private final SavedFilterRepository repository;

    SavedFilters(SavedFilterRepository repository) {
        this.repository = repository;
    }

    record Saved(UUID id, String name, String query) {}

    @Transactional(readOnly = true)
    List<Saved> list() {
        return repository.findAll().stream().map(SavedFilter::saved).toList();
    }

    /** A name that is there already means the new filter from now on. */
    @Transactional
    void save(String name, LinkFilter filter, String by) {
        SavedFilter saved = repository.findByName(name).orElseGet(() -> new SavedFilter(name));
        saved.mean(filter, by);
        repository.save(saved);
    }

    @Transactional
    void remove(UUID id) {
        repository.deleteById(id);
    }
}
