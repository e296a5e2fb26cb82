package wendo.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What one outcome cost: spend ÷ count, in minor units. Without spend there is no cost to speak of; without an outcome
 * there is only a lower bound.
 */
public record CostPer(long spendMinor, long count) {

    public CostPer {
        if (spendMinor < 0 || count < 0) {
            throw new IllegalArgumentException(
                    "Spend and count must be 0 or more, but were %d and %d".formatted(spendMinor, count));
        }
    }

    public OptionalDouble valueMinor() {
        return spendMinor == 0 || count == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) spendMinor / count);
    }

    /** Spend ÷ the bounds of the count ({@link Count#interval()}); the upper bound is infinite when the count is 0. */
    public Optional<Interval> intervalMinor() {
        return spendMinor == 0
                ? Optional.empty()
                : Optional.of(new Count(count).interval().withFalling(n -> spendMinor / n));
    }
}
