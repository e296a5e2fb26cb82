package wendo.core.credit;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;

/**
 * What each player adds to a game, averaged over all orders in which they could join: Shapley, "A value for n-person
 * games", 1953. Exact for up to 12 players; beyond, over orders drawn with a fixed seed.
 *
 * @param byPlayer one value for each; they add up to the worth of all together
 * @param standardError the greatest of any player's; 0 if exact
 */
public record ShapleyValue(List<Double> byPlayer, double standardError) {
    public static final int EXACT_UP_TO = 12;

    private static final int ORDERS = 4000;
    private static final long SEED = 1953;

    public ShapleyValue {
        byPlayer = List.copyOf(byPlayer);
    }

    /** What a set of players is worth together; nobody is worth 0. */
    @FunctionalInterface
    public interface Game {
        double worth(BitSet players);
    }

    public static ShapleyValue of(int players, Game game) {
        return players <= EXACT_UP_TO ? exact(players, game) : sampled(players, game);
    }

    /** Each set S without i weighs |S|! (n − |S| − 1)! ÷ n!. */
    private static ShapleyValue exact(int players, Game game) {
        double[] worth = new double[1 << players];
        for (int set = 1; set < worth.length; set++) {
            worth[set] = game.worth(BitSet.valueOf(new long[] {set}));
        }
        double[] weight = new double[players + 1];
        for (int size = 0; size < players; size++) {
            weight[size] = factorial(size) * factorial(players - size - 1) / factorial(players);
        }
        double[] values = new double[players];
        for (int set = 0; set < worth.length; set++) {
            for (int player = 0; player < players; player++) {
                if ((set & (1 << player)) == 0) {
                    values[player] += weight[Integer.bitCount(set)] * (worth[set | (1 << player)] - worth[set]);
                }
            }
        }
        return new ShapleyValue(Arrays.stream(values).boxed().toList(), 0);
    }

    private static double factorial(int number) {
        double product = 1;
        for (int i = 2; i <= number; i++) {
            product *= i;
        }
        return product;
    }

    private static ShapleyValue sampled(int players, Game game) {
        SplittableRandom random = new SplittableRandom(SEED);
        double[] sums = new double[players];
        double[] squares = new double[players];
        int[] order = new int[players];
        Arrays.setAll(order, i -> i);
        for (int drawn = 0; drawn < ORDERS; drawn++) {
            shuffle(order, random);
            BitSet joined = new BitSet(players);
            double before = 0;
            for (int player : order) {
                joined.set(player);
                double after = game.worth(joined);
                sums[player] += after - before;
                squares[player] += (after - before) * (after - before);
                before = after;
            }
        }
        double greatest = 0;
        for (int i = 0; i < players; i++) {
            double mean = sums[i] / ORDERS;
            greatest = Math.max(greatest, Math.sqrt(Math.max(0, squares[i] / ORDERS - mean * mean) / (ORDERS - 1)));
            sums[i] = mean;
        }
        return new ShapleyValue(Arrays.stream(sums).boxed().toList(), greatest);
    }

    /** Fisher and Yates. */
    private static void shuffle(int[] order, SplittableRandom random) {
        for (int i = order.length - 1; i > 0; i--) {
            int other = random.nextInt(i + 1);
            int kept = order[i];
            order[i] = order[other];
            order[other] = kept;
        }
    }
}
