package wendo.app.compare.table;

import java.util.Optional;
import java.util.OptionalDouble;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
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
        String before = figures.credit(was.row().credited(kind).number());
        return CountRatio.of(
                        now.count(kind),
                        now.period().days(),
                        was.count(kind),
                        was.period().days())
                .map(ratio -> Texts.of("compare.table.was-and", before, times(ratio, figures)))
                .orElse(Texts.of("compare.table.was", before));
    }

    private static String rate(Rate now, Rate was, Figures figures) {
        return RateDifference.of(now, was)
                .map(difference -> Texts.of(
                        difference.isClear() ? "compare.table.was-rate" : "compare.table.was-rate-maybe",
                        figures.percent(was.value().orElseThrow()),
                        figures.points(difference.low()),
                        figures.points(difference.high())))
                .orElse("");
    }

    private static String cost(CostPer now, CostPer was, Figures figures) {
        OptionalDouble value = was.valueMinor();
        Optional<String> before =
                value.isPresent() ? Optional.of(figures.moneyShort(value.getAsDouble())) : Optional.empty();
        return CountRatio.ofCosts(now, was)
                .map(ratio -> times(ratio, figures))
                .map(times -> before.map(cost -> Texts.of("compare.table.was-and", cost, times))
                        .orElse(times))
                .orElseGet(() ->
                        before.map(cost -> Texts.of("compare.table.was", cost)).orElse(""));
    }

    private static String times(CountRatio ratio, Figures figures) {
        String high = Double.isInfinite(ratio.high())
                ? Texts.of("compare.table.any-more")
                : percent(ratio.high() - 1, figures);
        String range = Texts.of("compare.table.from-to", percent(ratio.low() - 1, figures), high);
        return ratio.isClear() ? range : Texts.of("compare.table.may-be-the-same", range);
    }

    private static String percent(double share, Figures figures) {
        return (share > 0 ? "+" : "") + figures.wholePercent(share);
    }
}
