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
     * over go one each to the largest remainders, ties to the earlier part. Computed without rounding.
     *
     * @param total 0 or more
     * @param weights each 0 or more; at least one above 0, unless the list is empty
     * @return one part for each weight; their sum is {@code total}
     */
    public static List<Long> split(long total, List<Long> weights) {
        BigInteger sum = weights.stream().map(BigInteger::valueOf).reduce(BigInteger.ZERO, BigInteger::add);
        if (total < 0 || weights.stream().anyMatch(weight -> weight < 0) || (sum.signum() == 0 && !weights.isEmpty())) {
            throw new IllegalArgumentException(
                    "Total and weights must be 0 or more, one weight above 0, but were %d and %s"
                            .formatted(total, weights));
        }
        List<Long> parts = new ArrayList<>();
        List<BigInteger> remainders = new ArrayList<>();
        for (long weight : weights) {
            BigInteger[] quotient = BigInteger.valueOf(total)
                    .multiply(BigInteger.valueOf(weight))
                    .divideAndRemainder(sum);
            parts.add(quotient[0].longValueExact());
            remainders.add(quotient[1]);
        }
        long left = weights.isEmpty()
                ? 0
                : total - parts.stream().mapToLong(Long::longValue).sum();
        IntStream.range(0, parts.size())
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> remainders.get(i)).reversed())
                .limit(left)
                .forEach(i -> parts.set(i, parts.get(i) + 1));
        return List.copyOf(parts);
    }
}
