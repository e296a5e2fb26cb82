package wendo.app.lead.handover;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** A follow-up plan with its steps in their order. */
@Entity
class FollowUpPlan extends BusinessEntity {
    private String name;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true, fetch = FetchType.EAGER)
    @JoinColumn(name = "plan_id", nullable = false, updatable = false)
    @OrderBy("place")
    private List<FollowUpStep> steps = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected FollowUpPlan() {}

    FollowUpPlan(String name) {
        super(UUID.randomUUID());
        this.name = name;
    }

    /** Each place keeps its row; what is over goes, what is missing is added. */
    void become(String newName, List<Plans.Step> newSteps) {
        this.name = newName;
        while (steps.size() > newSteps.size()) {
            steps.remove(steps.size() - 1);
        }
        for (int place = 0; place < newSteps.size(); place++) {
            if (place == steps.size()) {
                steps.add(new FollowUpStep(place));
            }
            steps.get(place).say(newSteps.get(place));
        }
    }

    Plans.Plan plan() {
        return new Plans.Plan(
                id(), version(), name, steps.stream().map(FollowUpStep::step).toList());
    }
}
