package wendo.simulation;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wendo.core.credit.AttributionModel;
import wendo.core.credit.Credit;
import wendo.core.credit.CreditableTouches;
import wendo.core.credit.Journey;
import wendo.core.credit.LookbackWindows;
import wendo.core.credit.Markov;
import wendo.core.credit.ModelName;
import wendo.core.credit.ModelRules;
import wendo.core.credit.RemovalEffects;
import wendo.core.credit.Shapley;
import wendo.core.credit.Trail;
import wendo.core.measure.Count;
import wendo.core.measure.Rate;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.Arrival;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.Touch;
import wendo.core.visits.VisitKind;

/** What the rules find in a season, from what a business would see of it: sorted, joined and credited by the core. */
final class Found {
    private static final Sorting SORTING = new Sorting(List.of("(?i)bot", "python-requests", "^curl"));
    private static final Map<String, Optional<Sorted>> KNOWN_AGENTS = new HashMap<>();

    private final World world;
    private final Map<String, TrueSource> byLink = new HashMap<>();
    private final Map<String, TrueSource> byCode = new HashMap<>();
    private final Map<TrueSource, Set<UUID>> people = new HashMap<>();
    private final Map<UUID, List<Touch.Step>> steps = new HashMap<>();
    private final Map<UUID, UUID> visitorOf = new HashMap<>();
    private final Map<OutcomeKind, Map<ModelName, Map<UUID, Count>>> credited = new EnumMap<>(OutcomeKind.class);

    /** An outcome that credit is shared of, and what its shares add up to under a model. */
    record Shared(Season.Did outcome, ModelName model, long millionths, long minor) {}

    final List<Shared> shared = new ArrayList<>();

    Found(World world, Season season) {
        this.world = world;
        world.sources().forEach(source -> {
            source.links().forEach(link -> byLink.put(link.slug(), source));
            byCode.put(source.code(), source);
        });
        see(season.visits());
        credit(season.outcomes());
    }

    static UUID id(TrueSource source) {
        return new UUID(1, source.name().hashCode());
    }

    private void see(List<Season.Came> visits) {
        Map<String, Instant> last = new HashMap<>();
        for (Season.Came visit : visits) {
            TrueSource source = Objects.requireNonNull(byLink.get(visit.slug()));
            Optional<Sorted> automatic = KNOWN_AGENTS.computeIfAbsent(visit.userAgent(), SORTING::sortUserAgent);
            Instant at = visit.click().arrivedAt();
            Instant before = last.put(visit.visitor() + visit.slug(), at);
            Arrival arrival = new Arrival(visit.visitor().toString(), visit.slug(), at, visit.userAgent(), "");
            visitorOf.put(visit.click().uuid(), visit.visitor());
            if (!visit.isTest()
                    && Sorting.sort(arrival, automatic, Optional.ofNullable(before))
                                    .kind()
                            == VisitKind.PERSON) {
                people.computeIfAbsent(source, one -> new HashSet<>()).add(visit.visitor());
                steps.computeIfAbsent(visit.visitor(), one -> new ArrayList<>())
                        .add(new Touch.Step(
                                id(source), source.channel(), visit.click().uuid(), at));
            }
        }
    }

    private void credit(List<Season.Did> outcomes) {
        for (OutcomeKind kind : OutcomeKind.values()) {
            List<Season.Did> ofKind =
                    outcomes.stream().filter(one -> one.kind() == kind).toList();
            List<AttributionModel> models = models(ofKind);
            for (Season.Did outcome : ofKind) {
                models.forEach(model -> share(outcome, model));
            }
        }
    }

    private List<AttributionModel> models(List<Season.Did> outcomes) {
        Set<UUID> converted = new HashSet<>();
        outcomes.forEach(one -> one.click().ifPresent(click -> converted.add(visitorOf.get(click.uuid()))));
        Map<List<UUID>, long[]> counts = new HashMap<>();
        steps.forEach((visitor, own) -> {
            long[] count = counts.computeIfAbsent(
                    Touch.join(own).stream().map(Touch::source).toList(), sources -> new long[2]);
            count[0]++;
            count[1] += converted.contains(visitor) ? 1 : 0;
        });
        List<Journey> journeys = counts.entrySet().stream()
                .map(entry -> new Journey(entry.getKey(), entry.getValue()[0], entry.getValue()[1]))
                .sorted(Comparator.comparing(journey -> journey.sources().toString()))
                .toList();
        List<AttributionModel> models = new ArrayList<>(ModelRules.usual().models());
        models.add(new Markov(RemovalEffects.of(journeys)));
        models.add(new Shapley(journeys));
        return models;
    }

    private void share(Season.Did outcome, AttributionModel model) {
        List<Touch> touches = outcome.click()
                .map(click -> Touch.join(steps.getOrDefault(visitorOf.get(click.uuid()), List.of())))
                .orElse(List.of());
        Optional<CreditableTouches.Given> given = outcome.code()
                .map(byCode::get)
                .map(source -> new CreditableTouches.Given(
                        Evidence.CODE, new Touch(id(source), source.channel(), new UUID(2, 2), outcome.at())));
        Trail trail = CreditableTouches.trail(outcome.at(), touches, given, LookbackWindows.usual());
        if (trail.touches().isEmpty()) {
            return;
        }
        List<Credit> credits = Credit.divide(trail, model, outcome.valueMinor());
        shared.add(new Shared(
                outcome,
                model.name(),
                credits.stream().mapToLong(Credit::shareMillionths).sum(),
                credits.stream().mapToLong(Credit::valueMinor).sum()));
        boolean counts = outcome.takenBack()
                .map(refund -> refund.minor() < outcome.valueMinor())
                .orElse(true);
        Map<UUID, Double> own = new HashMap<>();
        credits.forEach(credit -> own.merge(credit.touch().source(), credit.shareMillionths() / 1e6, Double::sum));
        own.forEach((source, part) -> {
            if (counts) {
                credited.computeIfAbsent(outcome.kind(), kind -> new EnumMap<>(ModelName.class))
                        .computeIfAbsent(model.name(), name -> new HashMap<>())
                        .merge(source, new Count(part, part * part), Count::plus);
            }
        });
    }

    Count count(TrueSource source, OutcomeKind kind, ModelName model) {
        return credited.getOrDefault(kind, Map.of())
                .getOrDefault(model, Map.of())
                .getOrDefault(id(source), Count.of(0));
    }

    long people(TrueSource source) {
        return people.getOrDefault(source, Set.of()).size();
    }

    Rate rate(TrueSource source, OutcomeKind kind) {
        return new Rate(count(source, kind, ModelName.LAST_NON_DIRECT).value(), people(source));
    }

    World world() {
        return world;
    }
}
