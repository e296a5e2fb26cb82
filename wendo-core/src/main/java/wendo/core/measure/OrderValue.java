package wendo.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;

/**
 * What an order is worth on average: revenue ÷ bookings and purchases, in minor units. Common practice.
 *
 * @param payers what each person who paid brought, and by how many orders; both may be shares
 */
public record OrderValue(List<Payer> payers) {

    /** @param orders more than 0 */
    public record Payer(double minor, double orders) {
        public Payer {
            if (!(orders > 0) || Double.isNaN(minor)) {
                throw new IllegalArgumentException(
                        "A payer has orders, more than 0, but had %s worth %s".formatted(orders, minor));
            }
        }
    }

    public OrderValue {
        payers = List.copyOf(payers);
    }

    public double orders() {
        return payers.stream().mapToDouble(Payer::orders).sum();
    }

    public OptionalDouble averageMinor() {
        return payers.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(sumMinor() / orders());
    }

    private double sumMinor() {
        return payers.stream().mapToDouble(Payer::minor).sum();
    }

    /**
     * The {@linkplain Bca BCa bootstrap interval} at 95 %: 2,000 resamples of those who paid, with a fixed seed. Empty
     * under {@value Takings#LEAST_PAYERS} of them, or if nothing varies.
     */
    public Optional<Interval> interval() {
        if (payers.size() < Takings.LEAST_PAYERS) {
            return Optional.empty();
        }
        double[] averages = new double[Bca.RESAMPLES];
        SplittableRandom random = new SplittableRandom(Bca.SEED);
        for (int i = 0; i < averages.length; i++) {
            averages[i] = drawn(random);
        }
        Arrays.sort(averages);
        return Bca.interval(averageMinor().orElseThrow(), averages, acceleration());
    }

    private double drawn(SplittableRandom random) {
        double minor = 0;
        double orders = 0;
        for (int i = 0; i < payers.size(); i++) {
            Payer payer = payers.get(random.nextInt(payers.size()));
            minor += payer.minor();
            orders += payer.orders();
        }
        return minor / orders;
    }

    /** By leaving each out in turn. */
    private double acceleration() {
        double[] without = payers.stream()
                .mapToDouble(payer -> (sumMinor() - payer.minor()) / (orders() - payer.orders()))
                .toArray();
        double mean = Arrays.stream(without).average().orElseThrow();
        double squares =
                Arrays.stream(without).map(one -> Math.pow(mean - one, 2)).sum();
        double cubes =
                Arrays.stream(without).map(one -> Math.pow(mean - one, 3)).sum();
        return squares == 0 ? 0 : cubes / (6 * Math.pow(squares, 1.5));
    }
}
