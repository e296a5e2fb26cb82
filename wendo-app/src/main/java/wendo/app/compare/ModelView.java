package wendo.app.compare;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.core.credit.ModelName;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.measure.Interval;

/**
 * On which side of the average each source with spend lies under every model, so that it can be said whether the decision
 * depends on the model.
 */
record ModelView(Map<UUID, Map<ModelName, Judged>> bySource) {

    /** Where the whole interval of a cost lies. */
    enum Side {
        LESS("clearly less than the average"),
        MORE("clearly more than the average"),
        UNCLEAR("too early to tell");

        private final String label;

        Side(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a source is credited with under a model, what that makes an outcome cost, and against which average. */
    record Judged(Credited credited, CostPer cost, CostPer average, Side side) {}

    static ModelView of(Comparison comparison, Map<Optional<UUID>, Map<ModelName, Credited>> credited) {
        Map<UUID, Map<ModelName, Judged>> bySource = new LinkedHashMap<>();
        for (ModelName model : ModelName.values()) {
            CostPer average = new CostPer(
                    comparison.paid().stream()
                            .mapToLong(row -> row.spendMinor().orElse(0L))
                            .sum(),
                    comparison.paid().stream()
                            .map(row -> credited(credited, row, model).count())
                            .reduce(Count.of(0), Count::plus));
            for (ComparedSource row : comparison.rows()) {
                Credited own = credited(credited, row, model);
                CostPer cost = new CostPer(row.spendMinor().orElse(0L), own.count());
                row.id()
                        .ifPresent(id -> bySource.computeIfAbsent(id, key -> new EnumMap<>(ModelName.class))
                                .put(model, new Judged(own, cost, average, side(cost, average))));
            }
        }
        return new ModelView(bySource);
    }

    private static Credited credited(
            Map<Optional<UUID>, Map<ModelName, Credited>> credited, ComparedSource row, ModelName model) {
        return credited.getOrDefault(row.id(), Map.of()).getOrDefault(model, Credited.none());
    }

    private static Side side(CostPer cost, CostPer average) {
        Optional<Interval> interval = cost.intervalMinor();
        if (interval.isEmpty() || average.valueMinor().isEmpty()) {
            return Side.UNCLEAR;
        }
        double held = average.valueMinor().getAsDouble();
        return interval.get().isBelow(held) ? Side.LESS : interval.get().isAbove(held) ? Side.MORE : Side.UNCLEAR;
    }

    /** The models by the side that they put a source on. */
    Map<Side, List<ModelName>> sides(UUID source) {
        Map<Side, List<ModelName>> sides = new EnumMap<>(Side.class);
        bySource.getOrDefault(source, Map.of())
                .forEach((model, judged) -> sides.computeIfAbsent(judged.side(), side -> new ArrayList<>())
                        .add(model));
        return sides;
    }

    /** The sources that are judged otherwise under one model than under another. */
    List<String> depending(Comparison comparison) {
        return comparison.paid().stream()
                .filter(row -> row.id().map(id -> sides(id).size() > 1).orElse(false))
                .map(ComparedSource::name)
                .toList();
    }

    /** Whether the decision on a source depends on the model, as a sentence. */
    String said(UUID source) {
        Map<Side, List<ModelName>> sides = sides(source);
        if (sides.size() == 1) {
            return "The decision does not depend on the model: under every one it is %s."
                    .formatted(sides.keySet().iterator().next().label());
        }
        return "The decision depends on the model: "
                + sides.entrySet().stream()
                        .map(entry -> "%s by %s"
                                .formatted(
                                        entry.getKey().label(),
                                        entry.getValue().stream()
                                                .map(ModelName::spoken)
                                                .collect(Collectors.joining(", "))))
                        .collect(Collectors.joining("; "))
                + ".";
    }
}
