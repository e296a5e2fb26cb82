package wendo.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.apache.commons.statistics.distribution.BinomialDistribution;

/**
 * What people brought in, and how sure its sum is. Most people bring nothing, so only payers are listed.
 *
 * @param people all of them, payers too
 * @param paidMinor what each payer brought, in minor units
 */
public record Takings(long people, List<Long> paidMinor) {
    /** With fewer payers an interval would say more than is known. */
    public static final int LEAST_PAYERS = 5;

    public Takings {
        paidMinor = List.copyOf(paidMinor);
        if (people < paidMinor.size()) {
            throw new IllegalArgumentException(
                    "Payers are people, but %d of %d paid".formatted(paidMinor.size(), people));
        }
    }

    public long sumMinor() {
        return paidMinor.stream().mapToLong(Long::longValue).sum();
    }

    /**
     * The {@linkplain Bca BCa bootstrap interval} of the sum at 95 %: 2,000 resamples of people with a fixed seed. Not
     * below 0. Empty under 5 payers, or if nothing varies.
     */
    public Optional<Interval> interval() {
        double sum = sumMinor();
        if (paidMinor.size() < LEAST_PAYERS) {
            return Optional.empty();
        }
        return Bca.interval(sum, resampled(), acceleration())
                .map(one -> new Interval(Math.max(0, one.low()), Math.max(0, one.high())));
    }

    /** Sums of as many people drawn with replacement, ascending. How many of them are payers is binomial. */
    private double[] resampled() {
        SplittableRandom random = new SplittableRandom(Bca.SEED);
        int payers = paidMinor.size();
        BinomialDistribution drawnPayers = BinomialDistribution.of(Math.toIntExact(people), (double) payers / people);
        double[] sums = new double[Bca.RESAMPLES];
        for (int i = 0; i < Bca.RESAMPLES; i++) {
            int drawn = drawnPayers.inverseCumulativeProbability(random.nextDouble());
            long sum = 0;
            for (int j = 0; j < drawn; j++) {
                sum += paidMinor.get(random.nextInt(payers));
            }
            sums[i] = sum;
        }
        Arrays.sort(sums);
        return sums;
    }

    private double acceleration() {
        double mean = (double) sumMinor() / people;
        double others = people - paidMinor.size();
        double squares = others * mean * mean;
        double cubes = -others * mean * mean * mean;
        for (long paid : paidMinor) {
            squares += Math.pow(paid - mean, 2);
            cubes += Math.pow(paid - mean, 3);
        }
        return squares == 0 ? 0 : cubes / (6 * Math.pow(squares, 1.5));
    }
}
