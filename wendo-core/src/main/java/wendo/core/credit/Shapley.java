package wendo.core.credit;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import wendo.core.visits.Touch;

/**
 * An outcome's credit by the Shapley values of the sources on its trail: a set of them is worth the share of people who
 * had an outcome among those who met just these sources (Dalessandro, Perlich, Stitelman, Provost, "Causally motivated
 * attribution for online advertising", ADKDD 2012). Ours: a set that nobody met is worth what its best part is (of more
 * than 12 sources, its best single one); a source that takes away from the others has nothing; where none adds anything,
 * each touch has the same.
 */
public final class Shapley implements AttributionModel {
    private static final double UNIT = 1e12;

    private final Map<Set<UUID>, Double> rates = new ConcurrentHashMap<>();
    private final Map<List<UUID>, Map<UUID, Double>> known = new ConcurrentHashMap<>();

    public Shapley(List<Journey> journeys) {
        Map<Set<UUID>, long[]> counts = new HashMap<>();
        for (Journey journey : journeys) {
            long[] count = counts.computeIfAbsent(Set.copyOf(new HashSet<>(journey.sources())), set -> new long[2]);
            count[0] += journey.converted();
            count[1] += journey.people();
        }
        counts.forEach((set, count) -> {
            if (count[1] > 0) {
                rates.put(set, (double) count[0] / count[1]);
            }
        });
    }

    @Override
    public ModelName name() {
        return ModelName.SHAPLEY;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        List<UUID> sources = new ArrayList<>(
                new LinkedHashSet<>(trail.touches().stream().map(Touch::source).toList()));
        Map<UUID, Double> added =
                known.computeIfAbsent(sources.stream().sorted().toList(), this::values);
        List<Long> weights = trail.touches().stream()
                .map(touch -> Math.round(UNIT
                        * Math.max(0, added.getOrDefault(touch.source(), 0.0))
                        / trail.touches().stream()
                                .filter(other -> other.source().equals(touch.source()))
                                .count()))
                .toList();
        return weights.stream().anyMatch(one -> one > 0)
                ? weights
                : Weights.equal(trail.touches().size());
    }

    private Map<UUID, Double> values(List<UUID> sources) {
        List<Double> values =
                ShapleyValue.of(sources.size(), set -> worth(sources, set)).byPlayer();
        Map<UUID, Double> bySource = new HashMap<>();
        for (int i = 0; i < sources.size(); i++) {
            bySource.put(sources.get(i), values.get(i));
        }
        return bySource;
    }

    private double worth(List<UUID> sources, BitSet set) {
        Set<UUID> met = new HashSet<>();
        set.stream().forEach(i -> met.add(sources.get(i)));
        return worth(met);
    }

    /** Known for the next time that it is asked for. */
    private double worth(Set<UUID> met) {
        Double rate = rates.get(met);
        if (rate != null) {
            return rate;
        }
        double best = 0;
        for (UUID source : met) {
            best = Math.max(best, worth(met.size() > ShapleyValue.EXACT_UP_TO ? Set.of(source) : without(met, source)));
        }
        rates.put(Set.copyOf(met), best);
        return best;
    }

    private static Set<UUID> without(Set<UUID> met, UUID source) {
        Set<UUID> others = new HashSet<>(met);
        others.remove(source);
        return others;
    }
}
