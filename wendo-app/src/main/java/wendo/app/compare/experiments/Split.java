package wendo.app.compare.experiments;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.UUID;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.EqualRates;
import wendo.core.measure.Rate;
import wendo.core.measure.RateDifference;
import wendo.core.measure.SampleSize;

/**
 * A link whose people were led to different pages, each person to the same one every time. How many people it needs is
 * fixed by the smallest difference that is worth finding; looking early neither ends nor decides it.
 *
 * @param needed people for each way; empty while nobody had an outcome on the link's own page
 * @param said where it stands, in words
 */
record Split(UUID link, String name, List<Line> lines, OptionalLong needed, String said) {
    private static final double LEVEL = 0.05;

    /** The end of what it says while it runs, or how it was decided. */
    static String decided(Optional<String> best) {
        return best.map(address -> Texts.of("compare.experiments.decided-does-clearly-better-than", address))
                .orElse(Texts.of("compare.experiments.decided-no-other-page-does"));
    }

    static String running(long fewest, long needed, Figures figures) {
        return Texts.of("compare.experiments.still-running-of-people-on", figures.count(fewest), figures.count(needed));
    }

    /** A page, and how its people's rate differs from that of the link's own page. */
    record Line(String address, String people, String acted, String rate, String difference) {}

    /** @param leastPercent the smallest difference that is worth finding, as a part of the own page's rate */
    static List<Split> of(List<SplitQueries.Way> ways, int leastPercent, Figures figures) {
        Map<UUID, List<SplitQueries.Way>> byLink = new LinkedHashMap<>();
        ways.forEach(way ->
                byLink.computeIfAbsent(way.link(), link -> new ArrayList<>()).add(way));
        return byLink.values().stream()
                .map(own -> of(own, (double) leastPercent / 100, figures))
                .toList();
    }

    private static Split of(List<SplitQueries.Way> ways, double least, Figures figures) {
        List<Rate> rates =
                ways.stream().map(way -> new Rate(way.acted(), way.people())).toList();
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < ways.size(); i++) {
            lines.add(new Line(
                    ways.get(i).address(),
                    figures.count(ways.get(i).people()),
                    figures.count(ways.get(i).acted()),
                    Pair.shown(rates.get(i), figures),
                    i == 0
                            ? Texts.of("compare.experiments.the-links-own")
                            : difference(rates.get(i), rates.get(0), figures)));
        }
        OptionalLong needed = needed(rates.get(0).value(), least);
        return new Split(
                ways.get(0).link(), ways.get(0).name(), List.copyOf(lines), needed, said(ways, rates, needed, figures));
    }

    private static String difference(Rate other, Rate own, Figures figures) {
        return RateDifference.of(other, own)
                .map(one -> Texts.of(
                        "compare.experiments.to-points", figures.points(one.low()), figures.points(one.high())))
                .orElse(Texts.of("compare.experiments.difference-unknown"));
    }

    private static OptionalLong needed(OptionalDouble own, double least) {
        return own.isEmpty() || own.getAsDouble() == 0 || own.getAsDouble() * (1 + least) >= 1
                ? OptionalLong.empty()
                : OptionalLong.of(SampleSize.perWay(own.getAsDouble(), own.getAsDouble() * (1 + least)));
    }

    private static String said(List<SplitQueries.Way> ways, List<Rate> rates, OptionalLong needed, Figures figures) {
        if (needed.isEmpty()) {
            return Texts.of("compare.experiments.still-running-nothing-came-of");
        }
        long fewest = ways.stream().mapToLong(SplitQueries.Way::people).min().orElse(0);
        if (fewest < needed.getAsLong()) {
            return running(fewest, needed.getAsLong(), figures);
        }
        return decided(best(ways, rates).map(SplitQueries.Way::address));
    }

    private static Optional<SplitQueries.Way> best(List<SplitQueries.Way> ways, List<Rate> rates) {
        List<Double> pValues = new ArrayList<>();
        for (int i = 1; i < rates.size(); i++) {
            OptionalDouble p = EqualRates.pValue(rates.get(i), rates.get(0));
            pValues.add(p.isPresent() ? p.getAsDouble() : 1.0);
        }
        List<Double> adjusted = EqualRates.holm(pValues);
        Optional<SplitQueries.Way> best = Optional.empty();
        double most = rates.get(0).value().orElse(0);
        for (int i = 1; i < rates.size(); i++) {
            double rate = rates.get(i).value().orElse(0);
            if (adjusted.get(i - 1) < LEVEL && rate > most) {
                most = rate;
                best = Optional.of(ways.get(i));
            }
        }
        return best;
    }
}
