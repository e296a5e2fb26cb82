package wendo.core.credit;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import wendo.core.visits.Touch;

/**
 * An outcome's credit by the Shapley values of the sources on its trail: a set of them is worth the share of people who
 * had an outcome among those who met just these sources (Dalessandro, Perlich, Stitelman, Provost, "Causally motivated
 * attribution for online advertising", ADKDD 2012). Ours: a set that nobody met is worth what the best of its parts is that
 * somebody met; a source that takes away from the others has nothing; where none adds anything, each touch has the same.
 */
public final class Shapley implements AttributionModel {
    private static final double UNIT = 1e12;

    /** Sources that somebody met, by their places among those of a trail, and how many of these people had an outcome. */
    private record Part(BitSet sources, double rate) {
        boolean liesIn(BitSet set) {
            for (int i = sources.nextSetBit(0); i >= 0; i = sources.nextSetBit(i + 1)) {
                if (!set.get(i)) {
                    return false;
                }
            }
            return true;
        }
    }

    private record Values(Map<UUID, Double> bySource, double standardError) {
        double sum() {
            return bySource.values().stream()
                    .mapToDouble(value -> Math.max(0, value))
                    .sum();
        }
    }

    private final Map<Set<UUID>, Double> rates = new HashMap<>();
    private final Map<List<UUID>, Values> known = new ConcurrentHashMap<>();

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
        Map<UUID, Double> added = known(
                        trail.touches().stream().map(Touch::source).collect(Collectors.toSet()))
                .bySource();
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

    /**
     * The greatest standard error of what any of these sources has of an outcome that they share, in [0, 1]; 0 where it is
     * exact, which it is of up to 12 sources.
     */
    public double standardError(Set<UUID> sources) {
        Values values = known(sources);
        return values.sum() == 0 ? 0 : Math.min(1, values.standardError() / values.sum());
    }

    private Values known(Set<UUID> sources) {
        return known.computeIfAbsent(sources.stream().sorted().toList(), this::values);
    }

    private Values values(List<UUID> sources) {
        List<Part> parts = parts(sources);
        ShapleyValue value = ShapleyValue.of(sources.size(), set -> worth(parts, set));
        Map<UUID, Double> bySource = new HashMap<>();
        for (int i = 0; i < sources.size(); i++) {
            bySource.put(sources.get(i), value.byPlayer().get(i));
        }
        return new Values(bySource, value.standardError());
    }

    private static double worth(List<Part> parts, BitSet set) {
        double best = 0;
        for (Part part : parts) {
            if (part.sources().equals(set)) {
                return part.rate();
            }
            best = part.rate() > best && part.liesIn(set) ? part.rate() : best;
        }
        return best;
    }

    /** The sets of these sources that somebody met, whichever way is the shorter one to find them. */
    private List<Part> parts(List<UUID> sources) {
        List<Part> parts = new ArrayList<>();
        if (sources.size() > ShapleyValue.EXACT_UP_TO) {
            rates.forEach((met, rate) -> {
                if (sources.containsAll(met)) {
                    parts.add(new Part(places(sources, met), rate));
                }
            });
            return parts;
        }
        for (long mask = 1; mask < 1L << sources.size(); mask++) {
            BitSet set = BitSet.valueOf(new long[] {mask});
            Double rate = rates.get(set.stream().mapToObj(sources::get).collect(Collectors.toSet()));
            if (rate != null) {
                parts.add(new Part(set, rate));
            }
        }
        return parts;
    }

    private static BitSet places(List<UUID> sources, Set<UUID> met) {
        BitSet places = new BitSet(sources.size());
        met.forEach(source -> places.set(sources.indexOf(source)));
        return places;
    }
}
