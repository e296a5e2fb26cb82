package wendo.core.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.NormalDistribution;

/** Whether rates could be the same. */
public final class EqualRates {
    private EqualRates() {}

    /**
     * The two-sided p-value of the two-proportion z-test with the pooled rate, in [0, 1]; the square of z is Pearson's
     * chi-squared of the two by two table without correction. Empty where a rate is none or more than 1, or where all or
     * nothing happened in both.
     */
    public static OptionalDouble pValue(Rate first, Rate second) {
        if (first.interval().isEmpty() || second.interval().isEmpty()) {
            return OptionalDouble.empty();
        }
        double all = (double) first.whole() + second.whole();
        double pooled = (first.part() + second.part()) / all;
        double variance = pooled * (1 - pooled) * (1.0 / first.whole() + 1.0 / second.whole());
        if (!(variance > 0)) {
            return OptionalDouble.empty();
        }
        double z = (first.part() / first.whole() - second.part() / second.whole()) / Math.sqrt(variance);
        return OptionalDouble.of(Math.min(1, 2 * NormalDistribution.of(0, 1).survivalProbability(Math.abs(z))));
    }

    /**
     * The p-values of several comparisons, made greater so that the chance of any false finding among them stays below the
     * level. S. Holm, Scandinavian Journal of Statistics 6 (1979) 65–70.
     */
    public static List<Double> holm(List<Double> pValues) {
        List<Integer> ascending = IntStream.range(0, pValues.size())
                .boxed()
                .sorted(Comparator.comparing(pValues::get))
                .toList();
        List<Double> adjusted = new ArrayList<>(pValues);
        double most = 0;
        for (int rank = 0; rank < ascending.size(); rank++) {
            int at = ascending.get(rank);
            most = Math.max(most, Math.min(1, (pValues.size() - rank) * pValues.get(at)));
            adjusted.set(at, most);
        }
        return List.copyOf(adjusted);
    }
}
