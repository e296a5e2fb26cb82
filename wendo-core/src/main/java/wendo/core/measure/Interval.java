package wendo.core.measure;

import java.util.function.DoubleUnaryOperator;

/** Two bounds, the lower first; {@code high} may be infinite. Both belong to it. */
public record Interval(double low, double high) {

    public Interval {
        if (!(low <= high) || low < 0) {
            throw new IllegalArgumentException(
                    "Bounds must be 0 <= low <= high, but were %s and %s".formatted(low, high));
        }
    }

    public boolean isBelow(double value) {
        return high < value;
    }

    public boolean isAbove(double value) {
        return low > value;
    }

    /** Both bounds through a falling function, which swaps them. */
    Interval withFalling(DoubleUnaryOperator function) {
        return new Interval(function.applyAsDouble(high), function.applyAsDouble(low));
    }
}
