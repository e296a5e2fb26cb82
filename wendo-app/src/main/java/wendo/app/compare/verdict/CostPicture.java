package wendo.app.compare.verdict;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Judged;
import wendo.app.compare.table.Plot;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.measure.Ceiling;
import wendo.core.outcomes.OutcomeKind;

/**
 * All costs on one line: each group that is judged is a dot on its 95 % interval, put together by verdict. The line is
 * logarithmic, for costs differ by factors.
 *
 * @param limit what all of them are held against, where it is the same for all
 */
public record CostPicture(List<Group> groups, List<Tick> ticks, Optional<Tick> limit) {
    private static final List<String> SHAPES = List.of("earning", "losing", "below", "above", "about", "too_early");
    private static final Map<String, String> LABELS = Map.of(
            "earning", "compare.verdict.earning",
            "losing", "compare.verdict.losing",
            "below", "compare.verdict.clearly-below-average",
            "above", "compare.verdict.clearly-above-average",
            "about", "compare.verdict.about-average",
            "too_early", "compare.verdict.need-more-data");

    /** Those of one verdict. */
    public record Group(String shape, String label, List<Dot> dots) {}

    /** One of them; {@code plot} has where it lies, {@code cost} says it. */
    public record Dot(String key, String name, Optional<Channel> channel, String cost, Optional<Plot> plot) {}

    /** A cost on the line, in hundredths of it. */
    public record Tick(double place, String label) {}

    private record Placed(Judged judged, Plot.Given cost) {
        double value() {
            return cost.value().orElse(Double.MAX_VALUE);
        }
    }

    public static CostPicture of(Comparison comparison, OutcomeKind kind, Figures figures) {
        List<Placed> placed = comparison.judged(kind).stream()
                .filter(Judged::isPossible)
                .map(one -> new Placed(one, Plot.Given.ofCost(one.cost(), figures)))
                .toList();
        Plot.Axis axis = Plot.Axis.logarithmic(placed.stream().map(Placed::cost).toList());
        Map<String, List<Placed>> byShape = placed.stream()
                .collect(Collectors.groupingBy(one -> one.judged().shape()));
        return new CostPicture(
                SHAPES.stream()
                        .filter(byShape::containsKey)
                        .map(shape -> group(shape, byShape.getOrDefault(shape, List.of()), axis))
                        .toList(),
                placed.isEmpty()
                        ? List.of()
                        : axis.ticks().stream()
                                .map(minor -> new Tick(axis.place(minor), figures.moneyRound(minor)))
                                .toList(),
                limit(placed, axis, figures));
    }

    public boolean isEmpty() {
        return groups.isEmpty();
    }

    private static Group group(String shape, List<Placed> placed, Plot.Axis axis) {
        return new Group(
                shape,
                Texts.of(LABELS.getOrDefault(shape, "")),
                placed.stream()
                        .sorted(Comparator.comparingDouble(Placed::value))
                        .map(one -> dot(one, axis))
                        .toList());
    }

    private static Dot dot(Placed one, Plot.Axis axis) {
        OptionalDouble held =
                one.judged().ceiling().stream().mapToDouble(Ceiling::minor).findFirst();
        return new Dot(
                one.judged().row().key(),
                one.judged().row().name(),
                one.judged().row().channel(),
                one.cost().shown(),
                Plot.of(one.cost(), axis, held));
    }

    private static Optional<Tick> limit(List<Placed> placed, Plot.Axis axis, Figures figures) {
        Set<String> said =
                placed.stream().map(one -> one.judged().against(figures)).collect(Collectors.toSet());
        return said.size() == 1
                ? placed.get(0)
                        .judged()
                        .ceiling()
                        .map(one -> new Tick(
                                axis.place(one.minor()), said.iterator().next()))
                : Optional.empty();
    }
}
