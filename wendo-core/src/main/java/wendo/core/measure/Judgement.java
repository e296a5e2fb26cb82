package wendo.core.measure;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.DoublePredicate;

/**
 * What an outcome cost, held against the most that it may cost. A source earns if the whole 95 % interval lies at or below
 * the ceiling, loses if the whole lies above, and else it is too early to say. Ours.
 */
public record Judgement(CostPer cost, double ceilingMinor) {
    /** Nobody spends a million times as much; what that does not settle costs just what it may. */
    private static final double MOST_TIMES = 1e6;

    /** A cost whose whole interval is as near to the ceiling as this is about the ceiling. */
    private static final double ABOUT = 0.1;

    private static final int DIGITS_OF_ADVICE = 2;

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
     * rate: 1 if it is settled, empty where the cost is the ceiling itself, so that nothing would settle it.
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

    /** Whether the whole interval lies within a tenth of the ceiling, so that more data would not settle it soon. */
    public boolean isAboutCeiling() {
        return cost.intervalMinor()
                .filter(interval ->
                        interval.low() >= (1 - ABOUT) * ceilingMinor && interval.high() <= (1 + ABOUT) * ceilingMinor)
                .isPresent();
    }

    /**
     * How much more would have to be spent at the present rate, in minor units, to two significant digits, for it is
     * advice; empty if nothing would settle it.
     */
    public OptionalLong spendToSettleMinor() {
        return more(cost.spendMinor());
    }

    /** How many more people would have to come at the present rate, to two significant digits. */
    public OptionalLong peopleToSettle(long peopleSoFar) {
        return more(peopleSoFar);
    }

    private OptionalLong more(long soFar) {
        OptionalDouble times = settledAtTimes();
        return times.isEmpty() ? OptionalLong.empty() : OptionalLong.of(advice((times.getAsDouble() - 1) * soFar));
    }

    /** Rounded up, so that it is enough. */
    private static long advice(double exact) {
        return BigDecimal.valueOf(Math.ceil(exact))
                .round(new MathContext(DIGITS_OF_ADVICE, RoundingMode.CEILING))
                .longValueExact();
    }
}
