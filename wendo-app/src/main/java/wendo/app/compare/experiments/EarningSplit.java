package wendo.app.compare.experiments;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.SampleSize;
import wendo.core.measure.Takings;
import wendo.core.measure.TakingsDifference;

/**
 * A split test that is judged by what networks paid or approved per person. As with rates, how many people it needs is fixed
 * by the smallest difference that is worth finding.
 */
final class EarningSplit {
    private EarningSplit() {}

    /** @param leastPercent the smallest difference that is worth finding, as a part of what the own page earns per person */
    static List<Split> of(List<SplitQueries.EarningWay> ways, int leastPercent, Figures figures) {
        Map<UUID, List<SplitQueries.EarningWay>> byLink = new LinkedHashMap<>();
        ways.forEach(way ->
                byLink.computeIfAbsent(way.link(), link -> new ArrayList<>()).add(way));
        return byLink.values().stream()
                .map(own -> one(own, (double) leastPercent / 100, figures))
                .toList();
    }

    private static Split one(List<SplitQueries.EarningWay> ways, double least, Figures figures) {
        Takings own = ways.get(0).takings();
        List<Split.Line> lines = new ArrayList<>();
        Optional<String> best = Optional.empty();
        double most = 0;
        for (SplitQueries.EarningWay way : ways) {
            boolean isOwn = way == ways.get(0);
            Optional<TakingsDifference> difference =
                    isOwn ? Optional.empty() : TakingsDifference.of(way.takings(), own, ways.size() - 1);
            lines.add(new Split.Line(
                    way.address(),
                    figures.count(way.takings().people()),
                    figures.money(way.takings().sumMinor()),
                    perPerson(way.takings(), figures),
                    isOwn ? Texts.of("compare.experiments.the-links-own") : said(difference, figures)));
            double value = difference
                    .filter(TakingsDifference::isClearlyMore)
                    .map(TakingsDifference::value)
                    .orElse(0.0);
            if (value > most) {
                most = value;
                best = Optional.of(way.address());
            }
        }
        OptionalLong needed = needed(own, least);
        long fewest =
                ways.stream().mapToLong(way -> way.takings().people()).min().orElse(0);
        return new Split(
                ways.get(0).link(),
                ways.get(0).name(),
                List.copyOf(lines),
                needed,
                said(needed, fewest, best, figures));
    }

    private static String perPerson(Takings takings, Figures figures) {
        if (takings.people() == 0) {
            return Texts.of("common.unknown");
        }
        String each = figures.moneyEach(takings.perPersonMinor());
        return takings.interval()
                .map(sum -> Texts.of(
                        "compare.experiments.each-from-to",
                        each,
                        figures.moneyEach(sum.low() / takings.people()),
                        figures.moneyEach(sum.high() / takings.people())))
                .orElse(each);
    }

    private static String said(Optional<TakingsDifference> difference, Figures figures) {
        return difference
                .map(one ->
                        Texts.of("compare.experiments.to", figures.moneyEach(one.low()), figures.moneyEach(one.high())))
                .orElse(Texts.of("compare.experiments.difference-unknown"));
    }

    private static OptionalLong needed(Takings own, double least) {
        return own.people() == 0 || own.deviationMinor() == 0
                ? OptionalLong.empty()
                : OptionalLong.of(SampleSize.perWayOfMeans(own.deviationMinor(), own.perPersonMinor() * least));
    }

    private static String said(OptionalLong needed, long fewest, Optional<String> best, Figures figures) {
        if (needed.isEmpty()) {
            return Texts.of("compare.experiments.still-running-nothing-came-of");
        }
        return fewest < needed.getAsLong() ? Split.running(fewest, needed.getAsLong(), figures) : Split.decided(best);
    }
}
