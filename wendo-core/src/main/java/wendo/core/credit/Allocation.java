package wendo.core.credit;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Shares whole units (minor units of money, millionths of an outcome) so that the parts add up to the total. */
public final class Allocation {
    /** An outcome's credit is counted in millionths, so that shares are whole numbers and add up to one outcome. */
    public static final long WHOLE = 1_000_000;

    private Allocation() {}

    /**
     * The largest-remainder method: each part is {@code floor(total × weight ÷ sum of weights)}, and the units left
     * over go one each to the largest remainders, ties to the earlier part. Computed without rounding: in
     * whole numbers as large as they need to be.
     *
     * @param total 0 or more
     * @param weights each 0 or more; at least one above 0, unless the list is empty
     * @return one part for each weight; their sum is {@code total}
     */
    public static List<Long> split(long total, List<Long> weights) {
        long most = weights.stream().mapToLong(Long::longValue).max().orElse(1);
        if (total < 0 || most <= 0 || weights.stream().anyMatch(weight -> weight < 0)) {
            throw new IllegalArgumentException(
                    "Total and weights must be 0 or more, one weight above 0, but were %d and %s"
                            .formatted(total, weights));
        }
        if (weights.size() == 1) {
            return List.of(total);
        }
        boolean fits = most <= Long.MAX_VALUE / Math.max(total, weights.size()); // products and the sum of weights
        return fits ? inLongs(total, weights) : inBigIntegers(total, weights);
    }

    private static List<Long> inLongs(long total, List<Long> weights) {
        long sum = weights.stream().mapToLong(Long::longValue).sum();
        List<Long> parts = new ArrayList<>();
        List<Long> remainders = new ArrayList<>();
        for (long weight : weights) {
            parts.add(total * weight / sum);
            remainders.add(total * weight % sum);
        }
        return withRest(total, parts, remainders);
    }

    private static List<Long> inBigIntegers(long total, List<Long> weights) {
        BigInteger sum = weights.stream().map(BigInteger::valueOf).reduce(BigInteger.ZERO, BigInteger::add);
        List<Long> parts = new ArrayList<>();
        List<BigInteger> remainders = new ArrayList<>();
        for (long weight : weights) {
            BigInteger[] quotient = BigInteger.valueOf(total)
                    .multiply(BigInteger.valueOf(weight))
                    .divideAndRemainder(sum);
            parts.add(quotient[0].longValueExact());
            remainders.add(quotient[1]);
        }
        return withRest(total, parts, remainders);
    }

    private static <T extends Comparable<T>> List<Long> withRest(long total, List<Long> parts, List<T> remainders) {
        long left = total - parts.stream().mapToLong(Long::longValue).sum();
        if (left > 0) {
            IntStream.range(0, parts.size())
                    .boxed()
                    .sorted(Comparator.comparing((Integer i) -> remainders.get(i))
                            .reversed())
                    .limit(left)
                    .forEach(i -> parts.set(i, parts.get(i) + 1));
        }
        return List.copyOf(parts);
    }
}
