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
        double[] sums = resampled(new SplittableRandom(Bca.SEED));
        Arrays.sort(sums);
        return Bca.interval(sum, sums, acceleration());
    }

    /** Sums of as many people drawn with replacement. How many of them are payers is binomial. */
    double[] resampled(SplittableRandom random) {
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
        return sums;
    }

    private double acceleration() {
        double squares = centralSum(2);
        return squares == 0 ? 0 : centralSum(3) / (6 * Math.pow(squares, 1.5));
    }

    /** What each person brought less the mean, to a power, added up. */
    double centralSum(int power) {
        double mean = perPersonMinor();
        double sum = (people - paidMinor.size()) * Math.pow(-mean, power);
        for (long paid : paidMinor) {
            sum += Math.pow(paid - mean, power);
        }
        return sum;
    }

    /** Standard deviation of what one person brought, in minor units; not a number without people. */
    public double deviationMinor() {
        return Math.sqrt(centralSum(2) / people);
    }

    /** In minor units; not a number without people. */
    public double perPersonMinor() {
        return (double) sumMinor() / people;
    }
}
