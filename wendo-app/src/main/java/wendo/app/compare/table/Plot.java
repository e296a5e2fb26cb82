package wendo.app.compare.table;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CostPer;
import wendo.core.measure.Interval;

/**
 * A value on its interval, as a dot on a line; positions are in hundredths of an axis that a whole column shares.
 *
 * @param dot empty when there is only a bound
 * @param isCut whether the line goes on beyond the axis
 * @param average where the figure lies that each row of the column is held against
 * @param text what the drawing says, in words
 */
public record Plot(
        Optional<Double> dot, double low, double high, boolean isCut, Optional<Double> average, String text) {

    /** What is drawn: a value, its interval, and both as text. */
    public record Given(OptionalDouble value, Optional<Interval> interval, String shown, String words) {

        /** The interval alone, in figures; empty text without one. */
        public String range(DoubleFunction<String> written) {
            return interval.map(bounds -> Double.isFinite(bounds.high())
                            ? Texts.of(
                                    "compare.table.from-to", written.apply(bounds.low()), written.apply(bounds.high()))
                            : Texts.of("compare.table.over", written.apply(bounds.low())))
                    .orElse("");
        }

        public static Given ofCost(CostPer cost, Figures figures) {
            OptionalDouble value = cost.valueMinor();
            Optional<Interval> interval = cost.intervalMinor();
            String shown = value.isPresent()
                    ? figures.moneyShort(value.getAsDouble())
                    : interval.map(bounds -> Texts.of("compare.table.over", figures.moneyShort(bounds.low())))
                            .orElse("–");
            String words = interval.map(bounds -> Double.isFinite(bounds.high())
                            ? Texts.of(
                                    "compare.table.each-with-interval",
                                    shown,
                                    figures.money(cost.spendMinor()),
                                    figures.decimal(cost.count().value()),
                                    figures.money(bounds.low()),
                                    figures.money(bounds.high()))
                            : Texts.of("compare.table.none-yet-so-more-than", figures.money(bounds.low())))
                    .orElse(Texts.of("compare.table.no-cost-no-spend-entered"));
            return new Given(value, interval, shown, words);
        }
    }

    /** The line that a column is drawn on. Costs differ by factors, so theirs is logarithmic. */
    public record Axis(double low, double high, boolean isLogarithmic) {
        private static final int MOST_TICKS = 7;
        private static final double ROUNDING = 1e-9;

        public static Axis linear(List<Given> column) {
            double most = values(column).max().orElse(0);
            return new Axis(
                    0, Math.max(most * 1.1, Math.min(bounds(column).max().orElse(0), most * 1.6)), false);
        }

        public static Axis logarithmic(List<Given> column) {
            double least = Stream.concat(values(column).boxed(), bounds(column).boxed())
                    .filter(number -> number > 0)
                    .mapToDouble(Double::doubleValue)
                    .min()
                    .orElse(1);
            double most = values(column).max().orElse(least);
            return new Axis(least / 1.2, Math.max(most, least) * 3, true);
        }

        private static DoubleStream values(List<Given> column) {
            return column.stream().flatMapToDouble(given -> given.value().stream());
        }

        private static DoubleStream bounds(List<Given> column) {
            return column.stream()
                    .flatMap(given -> given.interval().stream())
                    .flatMapToDouble(interval -> DoubleStream.of(interval.low(), interval.high()))
                    .filter(Double::isFinite);
        }

        private boolean isDrawable() {
            return high > low;
        }

        /** A few round values between its ends: 1, 2 and 5 times a power of ten, in minor units. */
        public List<Double> ticks() {
            List<Double> all = Stream.iterate(1.0, power -> power <= high, power -> power * 10)
                    .flatMap(power -> Stream.of(power, 2 * power, 5 * power))
                    .filter(value -> value >= low && value <= high)
                    .toList();
            List<Double> tens = all.stream()
                    .filter(value -> Math.abs(Math.log10(value) - Math.rint(Math.log10(value))) < ROUNDING)
                    .toList();
            return all.size() <= MOST_TICKS || tens.size() < 2 ? all : tens;
        }

        /** Where a value lies, in hundredths of the line. */
        public double place(double value) {
            double share = isLogarithmic
                    ? Math.log(Math.max(value, low) / low) / Math.log(high / low)
                    : (value - low) / (high - low);
            return Math.max(0, Math.min(100, 100 * share));
        }
    }

    public static Optional<Plot> of(Given given, Axis axis, OptionalDouble average) {
        if (given.interval().isEmpty() || !axis.isDrawable()) {
            return Optional.empty();
        }
        Interval interval = given.interval().get();
        return Optional.of(new Plot(
                place(given.value(), axis),
                axis.place(interval.low()),
                axis.place(interval.high()),
                interval.high() > axis.high(),
                place(average, axis),
                given.words()));
    }

    private static Optional<Double> place(OptionalDouble value, Axis axis) {
        return value.isPresent() ? Optional.of(axis.place(value.getAsDouble())) : Optional.empty();
    }
}
