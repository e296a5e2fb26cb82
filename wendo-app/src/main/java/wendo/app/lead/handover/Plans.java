package wendo.app.lead.handover;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.core.handover.Delay;

/** Follow-up plans and their steps. */
@Service
class Plans {
    static final int MAX_STEPS = 12;

    private final FollowUpPlanRepository repository;
    private final EntityManager entities;

    Plans(FollowUpPlanRepository repository, EntityManager entities) {
        this.repository = repository;
        this.entities = entities;
    }

    /**
     * @param kind email, text, voice or task
     * @param isNews whether it goes beyond answering the enquiry, so that it needs consent
     */
    record Step(String kind, Delay delay, String subject, String body, Optional<UUID> clip, boolean isNews) {
        public static Step empty() {
            return new Step("email", new Delay(0, 0), "", "", Optional.empty(), false);
        }
    }

    /** The consent that a step needs; a task needs none. */
    static Optional<ConsentPurpose> needs(Step step) {
        return !step.isNews() || step.kind().equals("task")
                ? Optional.empty()
                : Optional.of(step.kind().equals("email") ? ConsentPurpose.EMAIL_NEWS : ConsentPurpose.TEXT_NEWS);
    }

    record Plan(UUID id, int version, String name, List<Step> steps) {}

    @Transactional(readOnly = true)
    List<Plan> list() {
        return repository.findAllByOrderByName().stream()
                .map(FollowUpPlan::plan)
                .toList();
    }

    @Transactional(readOnly = true)
    Optional<Plan> find(UUID id) {
        return repository.findById(id).map(FollowUpPlan::plan);
    }

    @Transactional(readOnly = true)
    List<Step> steps(UUID plan) {
        return find(plan).map(Plan::steps).orElse(List.of());
    }

    /** A name that another plan has is refused by its unique key. */
    @Transactional
    UUID add(String name, List<Step> steps) {
        FollowUpPlan plan = new FollowUpPlan(name);
        plan.become(name, steps);
        repository.save(plan);
        return plan.id();
    }

    /** Plans under way keep the messages that they have. */
    @Transactional
    void change(UUID id, EditedVersion edited, String name, List<Step> steps) {
        FollowUpPlan plan = repository.findById(id).orElseThrow();
        plan.mustStillBe(edited);
        entities.lock(plan, LockModeType.OPTIMISTIC_FORCE_INCREMENT); // steps are rows of their own
        plan.become(name, steps);
    }
}
