package wendo.app.compare;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import wendo.app.site.Figures;
import wendo.core.measure.CostPer;
import wendo.core.measure.Verdict;
import wendo.core.outcomes.OutcomeKind;

/**
 * The sentence on top of a comparison. It names a group only if its whole interval lies on one side of what an outcome may
 * cost it; where nothing is set, of what one costs over all groups with spend.
 *
 * @param good the groups that earn, or cost clearly less, with their figures; empty text for none
 * @param bad those that lose, or cost clearly more
 * @param open for which it is too early, and what would settle them
 */
public record Answer(
        String headline, String goodLabel, String good, String badLabel, String bad, String open, String detail) {
    private static final int MOST_NAMES = 5;
    private static final int MOST_OPEN = 3;

    public static Answer of(Comparison comparison, CompareChoice look, Figures figures) {
        OutcomeKind kind = look.kind();
        if (comparison.total().credited(kind).millionths() == 0) {
            return plain(
                    "No %s came in this period.".formatted(kind.key()), "Choose a longer period, or another outcome.");
        }
        if (comparison.grouping().isOfVisits()) {
            return RateAnswer.of(comparison, kind, figures);
        }
        List<Judged> judged =
                comparison.judged(kind).stream().filter(Judged::isPossible).toList();
        if (judged.isEmpty()) {
            return plain(
                    "What a %s costs cannot be said yet.".formatted(kind.key()),
                    comparison.paid().isEmpty()
                            ? "No spend is entered for this period. Enter what each source cost under Spend."
                            : "The %s with spend brought no %s in this period."
                                    .formatted(comparison.grouping().plural(), kind.key()));
        }
        List<Judged> good = of(judged, Verdict.EARNING);
        List<Judged> bad = of(judged, Verdict.LOSING).stream()
                .sorted(java.util.Comparator.comparingDouble(
                        (Judged one) -> -one.cost().valueMinor().orElse(Double.MAX_VALUE)))
                .toList();
        boolean isByAverage =
                judged.stream().allMatch(one -> one.ceiling().orElseThrow().isAverage());
        String noun = comparison.grouping().noun();
        return new Answer(
                isByAverage
                        ? byAverage(good.size(), bad.size(), noun, kind)
                        : byTarget(good.size(), bad.size(), noun, kind),
                isByAverage ? "Clearly less" : "Earning",
                names(good, figures),
                isByAverage ? "Clearly more" : "Losing",
                names(bad, figures),
                open(of(judged, Verdict.TOO_EARLY), judged.size(), isByAverage, figures),
                detail(comparison, look, figures));
    }

    static Answer plain(String headline, String detail) {
        return new Answer(headline, "", "", "", "", "", detail);
    }

    private static List<Judged> of(List<Judged> judged, Verdict verdict) {
        return judged.stream().filter(one -> one.verdict() == verdict).toList();
    }

    private static String byAverage(int cheaper, int dearer, String noun, OutcomeKind kind) {
        if (cheaper + dearer == 0) {
            return "No %s stands out yet: every cost per %s could still be the average.".formatted(noun, kind.key());
        }
        if (dearer == 0) {
            return "%s a %s for clearly less than the average."
                    .formatted(counted(cheaper, noun, "brings", "bring"), kind.key());
        }
        if (cheaper == 0) {
            return "%s clearly more than the average for a %s."
                    .formatted(counted(dearer, noun, "costs", "cost"), kind.key());
        }
        return "%s a %s for clearly less than the average, %s for clearly more."
                .formatted(
                        counted(cheaper, noun, "brings", "bring"),
                        kind.key(),
                        number(dearer).toLowerCase(Locale.ROOT));
    }

    private static String byTarget(int earning, int losing, String noun, OutcomeKind kind) {
        if (earning + losing == 0) {
            return "It is too early to keep or stop a %s: what a %s costs could still be what it may."
                    .formatted(noun, kind.key());
        }
        if (losing == 0) {
            return "Keep %s: %s a %s for what it may cost."
                    .formatted(these(earning, noun), earning == 1 ? "it brings" : "they bring", kind.key());
        }
        if (earning == 0) {
            return "Stop or change %s: %s more for a %s than it may cost."
                    .formatted(these(losing, noun), losing == 1 ? "it takes" : "they take", kind.key());
        }
        return "Keep %s, and stop or change %s, going by what a %s may cost."
                .formatted(these(earning, noun), number(losing).toLowerCase(Locale.ROOT), kind.key());
    }

    private static String these(int number, String noun) {
        return number(number).toLowerCase(Locale.ROOT) + " " + noun + (number == 1 ? "" : "s");
    }

    static String counted(int number, String noun, String one, String many) {
        return number == 1 ? "One %s %s".formatted(noun, one) : "%s %ss %s".formatted(number(number), noun, many);
    }

    /** Small numbers as words, as a sentence has them. */
    private static String number(int number) {
        List<String> words = List.of("No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine");
        return number < words.size() ? words.get(number) : String.valueOf(number);
    }

    private static String names(List<Judged> rows, Figures figures) {
        String named = rows.stream()
                .limit(MOST_NAMES)
                .map(one -> one.row().name() + cost(one.cost(), figures))
                .collect(Collectors.joining(", "));
        int more = rows.size() - MOST_NAMES;
        return more > 0 ? named + " and %d more".formatted(more) : named;
    }

    private static String cost(CostPer cost, Figures figures) {
        OptionalDouble value = cost.valueMinor();
        return value.isPresent() ? " " + figures.moneyShort(value.getAsDouble()) : " (none yet)";
    }

    private static String open(List<Judged> open, int judged, boolean isByAverage, Figures figures) {
        if (open.isEmpty()) {
            return "";
        }
        String which = open.size() == judged
                ? "all of them"
                : open.size() == 1 ? "one other" : "%d others".formatted(open.size());
        String settling = open.stream()
                .filter(one -> !one.settles(figures).isEmpty())
                .limit(MOST_OPEN)
                .map(one -> one.row().name() + ", " + one.settles(figures))
                .collect(Collectors.joining("; "));
        return "For %s it is too early to tell: the 95 %% interval includes %s."
                        .formatted(which, isByAverage ? "the average" : "what it may cost")
                + (isByAverage || settling.isEmpty() ? "" : " " + settling + ".");
    }

    private static String detail(Comparison comparison, CompareChoice look, Figures figures) {
        OptionalDouble average = comparison.averageCost(look.kind()).valueMinor();
        int paid = comparison.paid().size();
        Grouping grouping = comparison.grouping();
        String said = average.isEmpty()
                ? ""
                : "A %s costs %s on average over the %s with spend, by %s%s."
                        .formatted(
                                look.kind().key(),
                                figures.money(average.getAsDouble()),
                                paid == 1 ? "one " + grouping.noun() : paid + " " + grouping.plural(),
                                look.model().spoken(),
                                withUnpaid(comparison, look.kind(), average.getAsDouble(), figures));
        return (said + missing(comparison)).strip();
    }

    /** What the total's own figure says, which also counts outcomes that nothing was paid for. */
    private static String withUnpaid(Comparison comparison, OutcomeKind kind, double average, Figures figures) {
        OptionalDouble all = comparison.total().costPer(kind).valueMinor();
        return all.isEmpty() || figures.money(all.getAsDouble()).equals(figures.money(average))
                ? ""
                : " (%s with those of no known or no paid source)".formatted(figures.money(all.getAsDouble()));
    }

    /** Who has no cost because nobody entered what it cost. */
    private static String missing(Comparison comparison) {
        List<ComparedRow> unpaid = comparison.unpaid();
        if (unpaid.isEmpty() || comparison.grouping() == Grouping.MONTH) {
            return "";
        }
        String most = Optional.of(unpaid.get(0)).map(ComparedRow::name).orElseThrow();
        return unpaid.size() == 1
                ? " No spend is entered for %s, so it is not judged.".formatted(most)
                : " No spend is entered for %s and %d more, so they are not judged.".formatted(most, unpaid.size() - 1);
    }
}
