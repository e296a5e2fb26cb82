package wendo.app.issue.links;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.core.links.TagPlan;

/** The tag plans of the current business; one of them is the default. */
@Service
class TagPlans {
    static final int MAX_NAME = Limits.SHORT_NAME;

    private final TagPlanRepository repository;
    private final Clock clock;

    TagPlans(TagPlanRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /** The default first. */
    @Transactional(readOnly = true)
    List<NamedPlan> list() {
        return repository.findAllByOrderByIsDefaultDescNameAsc().stream()
                .map(StoredTagPlan::plan)
                .toList();
    }

    @Transactional(readOnly = true)
    Optional<NamedPlan> find(UUID id) {
        return repository.findById(id).map(StoredTagPlan::plan);
    }

    /** 0 for one that is not there yet. */
    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(StoredTagPlan::version).orElse(0);
    }

    @Transactional(readOnly = true)
    NamedPlan byDefault() {
        return repository.findByIsDefaultTrue().orElseThrow().plan();
    }

    /** Adds a plan, or changes the one of this identifier. A name that another has is refused by its unique key. */
    @Transactional
    void save(UUID id, EditedVersion edited, String name, TagPlan plan) {
        StoredTagPlan stored = repository.findById(id).orElseGet(() -> new StoredTagPlan(id, clock.instant()));
        stored.mustStillBe(edited);
        stored.become(name, plan);
        repository.saveAndFlush(stored);
    }

    @Transactional
    void makeDefault(UUID id) {
        repository.findByIsDefaultTrue().ifPresent(before -> {
            before.beDefault(false);
            repository.saveAndFlush(before); // there is never more than one
        });
        repository.findById(id).orElseThrow().beDefault(true);
    }

    /** Removes a plan; links keep the tags they were issued with. The default one stays. */
    @Transactional
    boolean remove(UUID id) {
        Optional<StoredTagPlan> removed = repository.findById(id).filter(plan -> !plan.isDefault());
        removed.ifPresent(repository::delete);
        return removed.isPresent();
    }
}
