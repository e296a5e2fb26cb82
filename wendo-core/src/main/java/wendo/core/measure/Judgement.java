package wendo.core.measure;

import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.DoublePredicate;

/**
 * What an outcome cost, held against the most that it may cost. A source earns if the whole 95 % interval lies at or below
 * the ceiling, loses if the whole lies above, and else it is too early to say. Ours.
 */
public record Judgement(CostPer cost, double ceilingMinor) {
    /** What is not settled by this many times what was spent so far is not settled at the present rate. */
    public static final double MOST_TIMES = 20;

    private static final double EXACT = 1e-6;

    public Judgement {
        if (!(ceilingMinor > 0) || Double.isInfinite(ceilingMinor)) {
            throw new IllegalArgumentException("A ceiling must be more than 0, but was %s".formatted(ceilingMinor));
        }
    }

    /** Without spend there is no cost, so it is too early. */
    public Verdict verdict() {
        return verdict(cost);
    }

    private Verdict verdict(CostPer judged) {
        return judged.intervalMinor()
                .map(interval -> interval.high() <= ceilingMinor
                        ? Verdict.EARNING
                        : interval.isAbove(ceilingMinor) ? Verdict.LOSING : Verdict.TOO_EARLY)
                .orElse(Verdict.TOO_EARLY);
    }

    /**
     * By how many times of what was spent so far the verdict would be settled, if outcomes went on coming at the present
     * rate: 1 if it is settled, empty if not even {@link #MOST_TIMES} would do, as where the cost is the ceiling itself.
     */
    public OptionalDouble settledAtTimes() {
        DoublePredicate isSettled = times -> verdict(cost.times(times)) != Verdict.TOO_EARLY;
        if (isSettled.test(1)) {
            return OptionalDouble.of(1);
        }
        if (cost.spendMinor() == 0 || !isSettled.test(MOST_TIMES)) {
            return OptionalDouble.empty();
        }
        double open = 1;
        double settled = MOST_TIMES;
        while (settled - open > EXACT * open) {
            double middle = (open + settled) / 2;
            if (isSettled.test(middle)) {
                settled = middle;
            } else {
                open = middle;
            }
        }
        return OptionalDouble.of(settled);
    }

    /** How much more would have to be spent at the present rate, in minor units; empty if it would not settle. */
    public OptionalLong spendToSettleMinor() {
        return more(cost.spendMinor());
    }

    /** How many more people would have to come at the present rate. */
    public OptionalLong peopleToSettle(long peopleSoFar) {
        return more(peopleSoFar);
    }

    private OptionalLong more(long soFar) {
        OptionalDouble times = settledAtTimes();
        return times.isEmpty()
                ? OptionalLong.empty()
                : OptionalLong.of((long) Math.ceil((times.getAsDouble() - 1) * soFar));
    }
}
