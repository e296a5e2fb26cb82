package wendo.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import wendo.app.site.Figures;
import wendo.core.credit.ModelName;
import wendo.core.measure.Interval;

/** What a source is credited with under a model, drawn on the line that all models share. */
record ModelLine(ModelName model, String number, String cost, Optional<Plot> plot, ModelView.Side side) {

    static List<ModelLine> of(@Nullable Map<ModelName, ModelView.Judged> judged, Figures figures) {
        if (judged == null) {
            return List.of();
        }
        List<Plot.Given> costs =
                judged.values().stream().map(one -> cost(one, figures)).toList();
        Plot.Axis axis = Plot.Axis.logarithmic(costs);
        List<ModelLine> lines = new ArrayList<>();
        judged.forEach((model, one) -> {
            Plot.Given given = costs.get(lines.size());
            lines.add(new ModelLine(
                    model,
                    figures.credit(one.credited().number()),
                    given.shown(),
                    Plot.of(given, axis, one.average().valueMinor()),
                    one.side()));
        });
        return List.copyOf(lines);
    }

    private static Plot.Given cost(ModelView.Judged one, Figures figures) {
        OptionalDouble value = one.cost().valueMinor();
        Optional<Interval> interval = one.cost().intervalMinor();
        String shown = value.isPresent()
                ? figures.moneyShort(value.getAsDouble())
                : interval.map(bounds -> "over " + figures.moneyShort(bounds.low()))
                        .orElse("–");
        String words = interval.map(bounds -> "%s each; 95 %% interval from %s%s"
                        .formatted(
                                shown,
                                figures.money(bounds.low()),
                                Double.isFinite(bounds.high()) ? " to " + figures.money(bounds.high()) : ""))
                .orElse("no cost");
        return new Plot.Given(value, interval, shown, words);
    }
}
