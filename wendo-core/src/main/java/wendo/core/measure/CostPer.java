package wendo.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What one outcome cost: spend ÷ count, in minor units. Without spend there is no cost to speak of; without an outcome
 * there is only a lower bound.
 */
public record CostPer(long spendMinor, Count count) {

    public CostPer {
        if (spendMinor < 0) {
            throw new IllegalArgumentException("Spend must be 0 or more, but was %d".formatted(spendMinor));
        }
    }

    /** As if so many times as much had been spent, and as many times as many had come. */
    CostPer times(double factor) {
        return new CostPer(Math.round(spendMinor * factor), count.times(factor));
    }

    /** What is left of this without that part of it. */
    CostPer minus(CostPer part) {
        return new CostPer(spendMinor - part.spendMinor, count.minus(part.count));
    }

    public OptionalDouble valueMinor() {
        return spendMinor == 0 || count.value() == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(spendMinor / count.value());
    }

    /** Spend ÷ the bounds of the count ({@link Count#interval()}); the upper bound is infinite when the count is 0. */
    public Optional<Interval> intervalMinor() {
        return spendMinor == 0 ? Optional.empty() : Optional.of(count.interval().withFalling(n -> spendMinor / n));
    }
}
