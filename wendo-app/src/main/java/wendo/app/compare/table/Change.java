package wendo.app.compare.table;

import java.util.OptionalDouble;
import wendo.app.platform.site.Figures;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.measure.CountRatio;
import wendo.core.measure.Period;
import wendo.core.measure.Rate;
import wendo.core.measure.RateDifference;
import wendo.core.outcomes.OutcomeKind;

/**
 * How a row differs from what it was in the compared period: what it was, and the 95 % interval of the difference. Empty
 * text where nothing can be said.
 */
public record Change(String number, String rate, String cost) {

    /** What a row was in a period. */
    public record Then(ComparedRow row, Period period) {
        Count count(OutcomeKind kind) {
            return row.credited(kind).count();
        }
    }

    public static Change of(Then now, Then was, OutcomeKind kind, Figures figures) {
        return new Change(
                number(now, was, kind, figures),
                now.row().isUnknown()
                        ? ""
                        : rate(now.row().rate(kind), was.row().rate(kind), figures),
                cost(now.row().costPer(kind), was.row().costPer(kind), figures));
    }

    private static String number(Then now, Then was, OutcomeKind kind, Figures figures) {
        return "was %s".formatted(figures.credit(was.row().credited(kind).number()))
                + CountRatio.of(
                                now.count(kind),
                                now.period().days(),
                                was.count(kind),
                                was.period().days())
                        .map(ratio -> ": " + times(ratio, figures))
                        .orElse("");
    }

    private static String rate(Rate now, Rate was, Figures figures) {
        return RateDifference.of(now, was)
                .map(difference -> "was %s: %s%s to %s points"
                        .formatted(
                                figures.percent(was.value().orElseThrow()),
                                difference.isClear() ? "" : "may be the same, ",
                                figures.points(difference.low()),
                                figures.points(difference.high())))
                .orElse("");
    }

    private static String cost(CostPer now, CostPer was, Figures figures) {
        OptionalDouble value = was.valueMinor();
        String before = value.isPresent() ? "was " + figures.moneyShort(value.getAsDouble()) : "";
        return CountRatio.ofCosts(now, was)
                .map(ratio -> (before.isEmpty() ? "" : before + ": ") + times(ratio, figures))
                .orElse(before);
    }

    private static String times(CountRatio ratio, Figures figures) {
        String high = Double.isInfinite(ratio.high()) ? "any more" : percent(ratio.high() - 1, figures);
        return (ratio.isClear() ? "" : "may be the same, ") + percent(ratio.low() - 1, figures) + " to " + high;
    }

    private static String percent(double share, Figures figures) {
        return (share > 0 ? "+" : "") + figures.wholePercent(share);
    }
}
