package wendo.core.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.HypergeometricDistribution;

/** Whether rates could be the same. */
public final class EqualRates {
    private EqualRates() {}

    /** Tables as likely as the one that was seen count as well, although rounding makes them seem a little likelier. */
    private static final double AS_LIKELY = Math.log1p(1e-7);

    /**
     * The two-sided p-value of Fisher's exact test, in [0, 1]: the chance, at equal rates and with as many events in all,
     * of a table no likelier than the one that was seen. It holds its level at any count, which the z-test does not. R. A.
     * Fisher, Journal of the Royal Statistical Society 85 (1922) 87–94; two sides as R's {@code fisher.test} has them. Of
     * shared events the nearest whole number below and above are both tried, and the greater p-value counts. Empty where a
     * rate is none or more than 1, or where all or nothing happened in both.
     */
    public static OptionalDouble pValue(Rate first, Rate second) {
        if (first.interval().isEmpty() || second.interval().isEmpty()) {
            return OptionalDouble.empty();
        }
        double events = first.part() + second.part();
        if (events == 0 || events == (double) first.whole() + second.whole()) {
            return OptionalDouble.empty();
        }
        double greatest = 0;
        for (long a : around(first)) {
            for (long b : around(second)) {
                greatest = Math.max(greatest, fisher(a, first.whole(), b, second.whole()));
            }
        }
        return OptionalDouble.of(greatest);
    }

    private static long[] around(Rate rate) {
        long below = (long) Math.floor(rate.part());
        long above = Math.min(rate.whole(), (long) Math.ceil(rate.part()));
        return below == above ? new long[] {below} : new long[] {below, above};
    }

    private static double fisher(long a, long n, long b, long m) {
        HypergeometricDistribution tables =
                HypergeometricDistribution.of(Math.toIntExact(n + m), Math.toIntExact(a + b), Math.toIntExact(n));
        double seen = tables.logProbability((int) a) + AS_LIKELY;
        double sum = 0;
        for (int k = tables.getSupportLowerBound(); k <= tables.getSupportUpperBound(); k++) {
            double log = tables.logProbability(k);
            sum += log <= seen ? Math.exp(log) : 0;
        }
        return Math.min(1, sum);
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
