package wendo.app.compare;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import wendo.core.measure.Interval;

/**
 * A value on its interval, as a dot on a line; positions are in hundredths of an axis that a whole column shares.
 *
 * @param dot empty when there is only a bound
 * @param isCut whether the line goes on beyond the axis
 * @param text what the drawing says, in words
 */
public record Plot(String value, Optional<Double> dot, double low, double high, boolean isCut, String text) {

    /** What is drawn: a value, its interval, and both as text. */
    record Given(OptionalDouble value, Optional<Interval> interval, String shown, String words) {}

    /** Where an axis ends: far enough for every value, and for most intervals. */
    static double axis(List<Given> column) {
        double largestValue = column.stream()
                .flatMapToDouble(given -> given.value().stream())
                .max()
                .orElse(0);
        double largestBound = column.stream()
                .flatMap(given -> given.interval().stream())
                .mapToDouble(Interval::high)
                .filter(Double::isFinite)
                .max()
                .orElse(0);
        return Math.max(largestValue * 1.1, Math.min(largestBound, largestValue * 1.6));
    }

    static Optional<Plot> of(Given given, double axis) {
        if (given.interval().isEmpty() || axis <= 0) {
            return Optional.empty();
        }
        Interval interval = given.interval().get();
        Optional<Double> dot =
                given.value().isPresent() ? Optional.of(place(given.value().getAsDouble(), axis)) : Optional.empty();
        return Optional.of(new Plot(
                given.shown(),
                dot,
                place(interval.low(), axis),
                place(interval.high(), axis),
                interval.high() > axis,
                given.words()));
    }

    private static double place(double value, double axis) {
        return Math.max(0, Math.min(100, 100 * value / axis));
    }
}
