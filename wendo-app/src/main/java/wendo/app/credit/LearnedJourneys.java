package wendo.app.credit;

import java.util.Collection;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.outcomes.OutcomeKind;

/** What Markov and Shapley learned from the journeys of the current business's people, for whoever shows it. */
@Service
public class LearnedJourneys {
    /** Their journeys go back this far. */
    public static final int DAYS = JourneyStore.DAYS;

    private final JourneyStore journeys;

    LearnedJourneys(JourneyStore journeys) {
        this.journeys = journeys;
    }

    /**
     * @param people whose journeys the models rest on, {@code converted} of them with an outcome of the kind
     * @param removalEffects the part of all outcomes that would be lost without a source, 0 to 1
     */
    public record Learned(long people, long converted, Map<UUID, Double> removalEffects) {
        public Learned {
            removalEffects = Map.copyOf(removalEffects);
        }
    }

    @Transactional(readOnly = true)
    public Learned of(OutcomeKind kind) {
        JourneyStore.Size size = journeys.size(kind);
        return new Learned(
                size.people(),
                size.converted(),
                dataDriven(kind).markov().effects().bySource());
    }

    /**
     * The greatest standard error of any share that Shapley gives on trails by these sources, in [0, 1]; 0 if all are
     * exact.
     */
    @Transactional(readOnly = true)
    public double shapleyError(OutcomeKind kind, Collection<Set<UUID>> trails) {
        JourneyStore.DataDriven learned = dataDriven(kind);
        return trails.stream()
                .mapToDouble(learned.shapley()::standardError)
                .max()
                .orElse(0);
    }

    private JourneyStore.DataDriven dataDriven(OutcomeKind kind) {
        JourneyStore.DataDriven learned = journeys.models().get(kind);
        if (learned == null) {
            throw new IllegalStateException("Each kind of outcome is learned, but not " + kind);
        }
        return learned;
    }
}
