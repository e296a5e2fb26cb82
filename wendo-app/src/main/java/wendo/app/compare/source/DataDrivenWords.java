package wendo.app.compare.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.credit.LearnedJourneys;
import wendo.app.platform.site.Figures;
import wendo.core.credit.ShapleyValue;
import wendo.core.outcomes.OutcomeKind;

/** What the data-driven models rest on, and what they say of a source, as sentences. */
@Component
class DataDrivenWords {
    private final LearnedJourneys journeys;

    DataDrivenWords(LearnedJourneys journeys) {
        this.journeys = journeys;
    }

    /** @param longTrails the sources of each trail in the view that Shapley samples */
    String of(Optional<UUID> source, OutcomeKind kind, List<Set<UUID>> longTrails, Figures figures) {
        LearnedJourneys.Learned learned = journeys.of(kind);
        if (learned.people() == 0) {
            return "Markov and Shapley have learned from no journeys yet: these are gathered each night.";
        }
        return "Markov and Shapley rest on the journeys of %s people in the last %d days, %s of them with a %s. "
                        .formatted(
                                figures.count(learned.people()),
                                LearnedJourneys.DAYS,
                                figures.count(learned.converted()),
                                kind.key())
                + source.map(id -> removal(learned, id, kind, figures)).orElse("")
                + exactness(kind, longTrails, figures);
    }

    private static String removal(LearnedJourneys.Learned learned, UUID source, OutcomeKind kind, Figures figures) {
        OptionalDouble effect = Optional.ofNullable(learned.removalEffects().get(source)).stream()
                .mapToDouble(Double::doubleValue)
                .findFirst();
        return effect.isEmpty()
                ? "None of these journeys came by this source. "
                : "By Markov’s chain, %s of all %ss would be lost without this source: its removal effect. "
                        .formatted(figures.percent(effect.getAsDouble()), kind.key());
    }

    private String exactness(OutcomeKind kind, List<Set<UUID>> longTrails, Figures figures) {
        return longTrails.isEmpty()
                ? "Shapley’s shares are exact."
                : "Shapley’s shares are exact but for %s with more than %d sources, which are sampled with a standard error of at most %s of an outcome."
                        .formatted(
                                longTrails.size() == 1 ? "1 trail" : longTrails.size() + " trails",
                                ShapleyValue.EXACT_UP_TO,
                                figures.percent(journeys.shapleyError(kind, longTrails)));
    }
}
