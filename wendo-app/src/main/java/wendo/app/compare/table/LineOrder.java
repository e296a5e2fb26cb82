package wendo.app.compare.table;

import java.text.Collator;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.springframework.context.i18n.LocaleContextHolder;
import wendo.app.compare.sql.CompareOrder;
import wendo.core.outcomes.OutcomeKind;

/** How the rows of a comparison are sorted. A figure that is not known comes last, whichever way round. */
final class LineOrder {
    private static final List<String> VERDICTS = List.of("earning", "below", "losing", "above", "too_early", "about");

    private LineOrder() {}

    static Comparator<CompareTable.Line> of(CompareOrder order, OutcomeKind kind) {
        boolean isDown = order.column().isAscending() == order.isReversed();
        Comparator<CompareTable.Line> groupsFirst =
                Comparator.comparing(line -> !line.row().isGroup());
        return groupsFirst.thenComparing(
                switch (order.column()) {
                    case NAME -> turned(byName(LocaleContextHolder.getLocale()), isDown);
                    case VISITS -> by(line -> line.row().visits(), isDown);
                    case PEOPLE -> by(line -> line.row().people(), isDown);
                    case LEAD -> by(line -> credited(line, OutcomeKind.LEAD), isDown);
                    case BOOKING -> by(line -> credited(line, OutcomeKind.BOOKING), isDown);
                    case PURCHASE -> by(line -> credited(line, OutcomeKind.PURCHASE), isDown);
                    case SUBSCRIPTION -> by(line -> credited(line, OutcomeKind.SUBSCRIPTION), isDown);
                    case REVENUE -> by(line -> line.row().revenueMinor(), isDown);
                    case SPEND ->
                        by(
                                line -> line.row()
                                        .spendMinor()
                                        .map(Long::doubleValue)
                                        .orElse(Double.NaN),
                                isDown);
                    case RATE -> by(line -> known(line.row().rate(kind).value()), isDown);
                    case COST -> by(line -> cost(line, kind), isDown);
                    case VERDICT ->
                        turned(Comparator.comparingInt(LineOrder::verdict), isDown)
                                .thenComparing(by(line -> cost(line, kind), false));
                });
    }

    private static Comparator<CompareTable.Line> turned(Comparator<CompareTable.Line> comparator, boolean isDown) {
        return isDown ? comparator.reversed() : comparator;
    }

    private static Comparator<CompareTable.Line> byName(Locale locale) {
        Collator collator = Collator.getInstance(locale);
        return (one, other) -> collator.compare(one.row().name(), other.row().name());
    }

    /** {@code NaN} is what is not known. */
    private static Comparator<CompareTable.Line> by(ToDoubleFunction<CompareTable.Line> figure, boolean isDown) {
        Comparator<CompareTable.Line> unknownLast =
                Comparator.comparing(line -> Double.isNaN(figure.applyAsDouble(line)));
        return unknownLast.thenComparing(turned(Comparator.comparingDouble(figure), isDown));
    }

    private static double credited(CompareTable.Line line, OutcomeKind kind) {
        return line.row().credited(kind).millionths();
    }

    private static double cost(CompareTable.Line line, OutcomeKind kind) {
        return line.row().spendMinor().isEmpty()
                ? Double.NaN
                : line.row().costPer(kind).valueMinor().orElse(Double.MAX_VALUE);
    }

    private static double known(OptionalDouble value) {
        return value.orElse(Double.NaN);
    }

    private static int verdict(CompareTable.Line line) {
        return line.judged().map(judged -> VERDICTS.indexOf(judged.shape())).orElse(VERDICTS.size());
    }
}
