package wendo.app.credit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.core.credit.AttributionModel;
import wendo.core.credit.ModelName;
import wendo.core.credit.Trail;
import wendo.core.visits.Touch;

/** What may earn an outcome, and what each model gives of it: one weight for each step, in their order. */
record CreditedTrail(List<Step> steps, Map<ModelName, List<Long>> weights) {

    /**
     * A touch of the trail.
     *
     * @param how visit, arrival, given (what came with the outcome) or lead (what earned the lead that it continues)
     * @param source empty if the person came directly
     */
    record Step(String how, Instant at, Optional<UUID> click, Optional<UUID> source, Optional<UUID> link) {}

    CreditedTrail {
        steps = List.copyOf(steps);
        weights = Map.copyOf(weights);
    }

    static CreditedTrail of(Trail trail, List<TouchStore.Step> known, List<AttributionModel> models) {
        List<Step> steps = new ArrayList<>();
        for (Touch touch : trail.touches()) {
            Optional<TouchStore.Step> step = known.stream()
                    .filter(one -> one.step().id().equals(touch.id()))
                    .findFirst();
            steps.add(new Step(
                    step.map(TouchStore.Step::how).orElse("given"),
                    touch.startedAt(),
                    step.filter(one -> one.how().equals("visit"))
                            .map(one -> one.step().id()),
                    touch.isDirect() ? Optional.empty() : Optional.of(touch.source()),
                    step.flatMap(TouchStore.Step::link)));
        }
        Map<ModelName, List<Long>> weights = new EnumMap<>(ModelName.class);
        models.forEach(model -> weights.put(model.name(), model.weigh(trail)));
        return new CreditedTrail(steps, weights);
    }

    boolean isEmpty() {
        return steps.isEmpty();
    }
}
