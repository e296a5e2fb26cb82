package wendo.app.compare.source;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import wendo.app.compare.table.Judged;
import wendo.app.compare.table.Plot;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** What a row is credited with under a model, drawn on the line that all models share. */
public record ModelLine(ModelName model, String number, String cost, Optional<Plot> plot, String words) {

    public static List<ModelLine> of(Map<ModelName, Judged> judged, OutcomeKind kind, Figures figures) {
        List<Plot.Given> costs = judged.values().stream()
                .map(one -> Plot.Given.ofCost(one.cost(), figures))
                .toList();
        Plot.Axis axis = Plot.Axis.logarithmic(costs);
        List<ModelLine> lines = new ArrayList<>();
        judged.forEach((model, one) -> {
            Plot.Given given = costs.get(lines.size());
            OptionalDouble held = one.ceiling()
                    .map(ceiling -> OptionalDouble.of(ceiling.minor()))
                    .orElse(OptionalDouble.empty());
            lines.add(new ModelLine(
                    model,
                    figures.credit(one.row().credited(kind).number()),
                    given.shown(),
                    Plot.of(given, axis, held),
                    one.isPossible() ? one.words() : Texts.of("compare.source.not-judged")));
        });
        return List.copyOf(lines);
    }
}
