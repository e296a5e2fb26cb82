package wendo.core.measure;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Our count and another system's for the same thing. Two counting systems rarely agree closer than a tenth. Common practice.
 *
 * @param causes why they may differ, as far as we can count it
 */
public record CrossCheck(long ours, long theirs, List<Cause> causes) {
    /** Beyond this difference it is worth looking. Common practice. */
    public static final int USUAL_TOLERANCE_PERCENT = 15;

    /** Why two counts may differ. */
    public enum Reason {
        ROBOTS,
        PREVIEWS,
        REPEATS,
        PROOFS,
        TAKEN_BACK,
        UNKNOWN_SOURCE,
        TIME_ZONE,
        LOST
    }

    /** @param effect how many more than we, or fewer, they may count for this reason */
    public record Cause(Reason reason, long effect) {}

    public CrossCheck {
        causes = List.copyOf(causes);
        if (ours < 0 || theirs < 0) {
            throw new IllegalArgumentException("Counts must be 0 or more, but were %d and %d".formatted(ours, theirs));
        }
    }

    /** Theirs less ours. */
    public long difference() {
        return theirs - ours;
    }

    /** Theirs ÷ ours; empty when we counted none. */
    public OptionalDouble ratio() {
        return ours == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) theirs / ours);
    }

    /** Whether the difference is more than so many per cent of ours; of none, any difference is. */
    public boolean isBeyond(int tolerancePercent) {
        return Math.abs(difference()) * 100 > tolerancePercent * ours;
    }

    /** The least that they would count if every cause that takes away did so, and none other. */
    public long leastExplained() {
        return ours
                + causes.stream()
                        .mapToLong(cause -> Math.min(0, cause.effect()))
                        .sum();
    }

    /** The most that they would count if every cause that adds did so, and none other. */
    public long mostExplained() {
        return ours
                + causes.stream()
                        .mapToLong(cause -> Math.max(0, cause.effect()))
                        .sum();
    }

    /** What of the difference no cause explains: more than 0 if they count more than that, less than 0 if fewer. */
    public long unexplained() {
        return theirs > mostExplained() ? theirs - mostExplained() : Math.min(0, theirs - leastExplained());
    }
}
