package wendo.core.measure;

import java.util.Optional;

/** The most that an outcome may cost, in minor units, and where that comes from. */
public record Ceiling(double minor, Basis basis) {

    /** From the most particular to the most general. */
    public enum Basis {
        /** An amount set for the source. */
        OF_SOURCE,
        /** An amount set for all sources. */
        OF_ALL,
        /** What is left of an outcome's value: spend that is covered by the margin. */
        BREAK_EVEN,
        /** What an outcome costs on average: nothing is said of what it is worth. */
        AVERAGE
    }

    public Ceiling {
        if (!(minor > 0) || Double.isInfinite(minor)) {
            throw new IllegalArgumentException("A ceiling must be more than 0, but was %s".formatted(minor));
        }
    }

    /** Average value × margin: spend below it is covered. Empty when outcomes have no value. */
    public static Optional<Ceiling> breakEven(double averageValueMinor, int marginPercent) {
        return averageValueMinor > 0
                ? Optional.of(new Ceiling(averageValueMinor * marginPercent / 100, Basis.BREAK_EVEN))
                : Optional.empty();
    }

    public boolean isAverage() {
        return basis == Basis.AVERAGE;
    }
}
