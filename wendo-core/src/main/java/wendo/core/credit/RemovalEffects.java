package wendo.core.credit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

/**
 * How large a part of all outcomes would be lost without a source, by a first-order Markov chain of journeys: a start, a
 * state for each source, and the two ends, an outcome and none. Without a source, whoever would come to it ends with
 * none. Anderl, Becker, von Wangenheim, Schumann, "Mapping the customer journey", International Journal of Research in
 * Marketing 33(3), 2016, 457–474.
 *
 * @param bySource 0 to 1 for each source of any journey; 0 for all if nobody had an outcome
 * @param chance that a journey ends with an outcome, by the chain
 * @param people whose journeys this rests on
 */
public record RemovalEffects(Map<UUID, Double> bySource, double chance, long people) {

    public RemovalEffects {
        bySource = Map.copyOf(bySource);
    }

    /**
     * With N the fundamental matrix (I − Q)⁻¹ of the chain, somebody meets source k with the chance N(start, k) ÷ N(k, k)
     * and from there has an outcome with the chance x(k) = Σ N(k, j) r(j) (Kemeny and Snell, "Finite Markov Chains", 1960,
     * chapter III), so that their product is what is lost without k.
     */
    public static RemovalEffects of(List<Journey> journeys) {
        Map<UUID, Integer> places = places(journeys);
        double[][] steps = new double[places.size() + 1][places.size() + 1];
        double[] outcomes = new double[places.size() + 1];
        double[] all = new double[places.size() + 1];
        for (Journey journey : journeys) {
            int at = 0;
            for (UUID source : journey.sources()) {
                int next = places.getOrDefault(source, 0);
                steps[at][next] += journey.people();
                all[at] += journey.people();
                at = next;
            }
            outcomes[at] += journey.converted();
            all[at] += journey.people();
        }
        long people = journeys.stream().mapToLong(Journey::people).sum();
        return solve(places, share(steps, all), share(outcomes, all), people);
    }

    private static Map<UUID, Integer> places(List<Journey> journeys) {
        Map<UUID, Integer> places = new LinkedHashMap<>();
        journeys.forEach(journey ->
                journey.sources().forEach(source -> places.computeIfAbsent(source, added -> places.size() + 1)));
        return places;
    }

    private static double[][] share(double[][] counts, double[] all) {
        double[][] shares = new double[counts.length][];
        for (int i = 0; i < counts.length; i++) {
            shares[i] = counts[i].clone();
            for (int j = 0; j < counts.length && all[i] > 0; j++) {
                shares[i][j] /= all[i];
            }
        }
        return shares;
    }

    private static double[] share(double[] counts, double[] all) {
        double[] shares = new double[counts.length];
        for (int i = 0; i < counts.length; i++) {
            shares[i] = all[i] > 0 ? counts[i] / all[i] : 0;
        }
        return shares;
    }

    private static RemovalEffects solve(Map<UUID, Integer> places, double[][] steps, double[] ends, long people) {
        RealMatrix chain = new Array2DRowRealMatrix(steps, false);
        RealMatrix fundamental = new LUDecomposition(
                        MatrixUtils.createRealIdentityMatrix(ends.length).subtract(chain))
                .getSolver()
                .getInverse();
        double[] chances = fundamental.operate(ends);
        double all = Math.min(1, Math.max(0, chances[0]));
        Map<UUID, Double> effects = new LinkedHashMap<>();
        places.forEach((source, k) -> {
            double met = fundamental.getEntry(0, k) / fundamental.getEntry(k, k);
            effects.put(source, all == 0 ? 0 : Math.min(1, Math.max(0, met * chances[k] / all)));
        });
        return new RemovalEffects(effects, all, people);
    }
}
