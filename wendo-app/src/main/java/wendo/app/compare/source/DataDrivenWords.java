package wendo.app.compare.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import wendo.app.credit.LearnedJourneys;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
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
            return Texts.of("compare.source.markov-and-shapley-have-learned");
        }
        return Stream.of(
                        Texts.of(
                                "compare.source.models-rest-on",
                                figures.count(learned.people()),
                                LearnedJourneys.DAYS,
                                figures.count(learned.converted()),
                                kind.key()),
                        source.map(id -> removal(learned, id, kind, figures)).orElse(""),
                        exactness(kind, longTrails, figures))
                .filter(sentence -> !sentence.isEmpty())
                .collect(Collectors.joining(" "));
    }

    private static String removal(LearnedJourneys.Learned learned, UUID source, OutcomeKind kind, Figures figures) {
        OptionalDouble effect = Optional.ofNullable(learned.removalEffects().get(source)).stream()
                .mapToDouble(Double::doubleValue)
                .findFirst();
        return effect.isEmpty()
                ? Texts.of("compare.source.no-journey-came")
                : Texts.of("compare.source.removal-effect", figures.percent(effect.getAsDouble()), kind.key());
    }

    private String exactness(OutcomeKind kind, List<Set<UUID>> longTrails, Figures figures) {
        return longTrails.isEmpty()
                ? Texts.of("compare.source.shapleys-shares-are-exact")
                : Texts.of(
                        "compare.source.shapley-sampled",
                        longTrails.size(),
                        ShapleyValue.EXACT_UP_TO,
                        figures.percent(journeys.shapleyError(kind, longTrails)));
    }
}
