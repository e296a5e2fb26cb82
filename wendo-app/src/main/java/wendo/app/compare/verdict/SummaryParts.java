package wendo.app.compare.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.Judged;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.AgainstAverage;
import wendo.core.measure.Verdict;
import wendo.core.outcomes.OutcomeKind;

/** What an answer says of the groups that have something to be held against, and of those that have not. */
record SummaryParts(Grouping grouping, OutcomeKind kind, List<Judged> held, List<Judged> searched) {
    private static final Comparator<Judged> CHEAPEST_FIRST =
            Comparator.comparingDouble(one -> one.cost().valueMinor().orElse(Double.MAX_VALUE));

    static SummaryParts of(List<Judged> judged, Grouping grouping, OutcomeKind kind) {
        return new SummaryParts(
                grouping,
                kind,
                judged.stream().filter(one -> !one.isByAverage()).toList(),
                judged.stream().filter(Judged::isByAverage).toList());
    }

    private List<Judged> held(Verdict verdict) {
        return held.stream().filter(one -> one.verdict() == verdict).toList();
    }

    private List<Judged> searched(AgainstAverage side) {
        return searched.stream()
                .filter(one -> one.average().filter(side::equals).isPresent())
                .toList();
    }

    String headline() {
        if (held.isEmpty()) {
            return Texts.of("compare.verdict.set-a-limit", againstAverage());
        }
        return searched.isEmpty()
                ? byLimit()
                : Texts.of("compare.verdict.without-a-limit", byLimit(), lower(againstAverage()));
    }

    private String byLimit() {
        int earning = held(Verdict.EARNING).size();
        int losing = held(Verdict.LOSING).size();
        int open = held(Verdict.TOO_EARLY).size();
        if (earning + losing == 0) {
            return said("compare.verdict.too-early-to-say", open);
        }
        String decided = earning == 0
                ? said("compare.verdict.are-losing", losing)
                : losing == 0
                        ? said("compare.verdict.are-earning", earning)
                        : Texts.of(
                                "compare.verdict.are-earning-and-losing",
                                earning,
                                grouping.noun(),
                                grouping.plural(),
                                losing);
        return open == 0 ? decided : Texts.of("compare.verdict.and-need-more-data", decided, open);
    }

    private String againstAverage() {
        int below = searched(AgainstAverage.BELOW).size();
        int above = searched(AgainstAverage.ABOVE).size();
        if (below + above == 0) {
            return Texts.of("compare.verdict.none-stands-out", grouping.plural(), kind.key());
        }
        if (below == 0) {
            return said("compare.verdict.cost-clearly-more", above);
        }
        return above == 0
                ? said("compare.verdict.cost-clearly-less", below)
                : Texts.of(
                        "compare.verdict.cost-clearly-less-and-more",
                        below,
                        grouping.noun(),
                        grouping.plural(),
                        kind.key(),
                        above);
    }

    private String said(String text, int number) {
        return Texts.of(text, number, grouping.noun(), grouping.plural(), kind.key());
    }

    private static String lower(String sentence) {
        return sentence.substring(0, 1).toLowerCase(Locale.ROOT) + sentence.substring(1);
    }

    /** The groups in the order of what is to be done: keep, stop or change, wait. */
    List<ComparisonSummary.Named> named(Figures figures) {
        List<ComparisonSummary.Named> named = new ArrayList<>();
        named.add(group("earning", "compare.verdict.earning", held(Verdict.EARNING), figures));
        named.add(group("losing", "compare.verdict.losing", dearestFirst(held(Verdict.LOSING)), figures));
        named.add(group("below", "compare.verdict.clearly-below-average", searched(AgainstAverage.BELOW), figures));
        named.add(group(
                "above",
                "compare.verdict.clearly-above-average",
                dearestFirst(searched(AgainstAverage.ABOVE)),
                figures));
        named.add(group("too_early", "compare.verdict.need-more-data", held(Verdict.TOO_EARLY), figures));
        return named.stream().filter(group -> !group.ones().isEmpty()).toList();
    }

    private static List<Judged> dearestFirst(List<Judged> judged) {
        return judged.stream().sorted(CHEAPEST_FIRST.reversed()).toList();
    }

    private static ComparisonSummary.Named group(String shape, String label, List<Judged> judged, Figures figures) {
        return ComparisonSummary.Named.of(
                shape,
                Texts.of(label),
                judged.stream()
                        .map(one -> ComparisonSummary.One.of(one, figures))
                        .toList());
    }
}
