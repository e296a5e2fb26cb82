package wendo.core.credit;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import wendo.core.visits.Touch;

/**
 * An outcome's credit by the removal effects of the sources on its trail, so that the credits of each outcome add up;
 * touches of one source share its part. Where none of them has an effect, each touch has the same. That an outcome is
 * shared on its own trail is ours; the effects are published (see {@link RemovalEffects}).
 */
public record Markov(RemovalEffects effects) implements AttributionModel {
    private static final double UNIT = 1e12;

    @Override
    public ModelName name() {
        return ModelName.MARKOV;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        Map<UUID, Long> touchesOf =
                trail.touches().stream().collect(Collectors.groupingBy(Touch::source, Collectors.counting()));
        Function<Touch, Long> weight = touch -> Math.round(UNIT
                * effects.bySource().getOrDefault(touch.source(), 0.0)
                / touchesOf.getOrDefault(touch.source(), 1L));
        List<Long> weights = trail.touches().stream().map(weight).toList();
        return weights.stream().anyMatch(one -> one > 0)
                ? weights
                : Weights.equal(trail.touches().size());
    }
}
