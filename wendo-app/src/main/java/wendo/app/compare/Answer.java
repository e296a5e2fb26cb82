package wendo.app.compare;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import wendo.app.site.Figures;
import wendo.core.measure.CostPer;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/**
 * The sentence on top of a comparison. It names a source only if its whole interval lies on one side of what an outcome
 * costs over all sources with spend.
 *
 * @param cheaper the sources that cost clearly less, with their figures; empty text for none
 * @param dearer the sources that cost clearly more
 */
public record Answer(String headline, String cheaper, String dearer, String detail) {
    private static final int MOST_NAMES = 5;

    public static Answer of(Comparison comparison, CompareChoice look, Figures figures) {
        OutcomeKind kind = look.kind();
        List<ComparedSource> paid = comparison.paid();
        CostPer averageCost = comparison.averageCost(kind);
        if (comparison.rows().stream().allMatch(row -> row.credited(kind).millionths() == 0)) {
            return plain(
                    "No %s came in this period.".formatted(kind.key()), "Choose a longer period, or another outcome.");
        }
        if (averageCost.valueMinor().isEmpty()) {
            return plain(
                    "What a %s costs cannot be said yet.".formatted(kind.key()),
                    averageCost.spendMinor() == 0
                            ? "No spend is entered for this period. Enter what each source cost under Spend."
                            : "The sources with spend brought no %s in this period.".formatted(kind.key()));
        }
        double average = averageCost.valueMinor().getAsDouble();
        List<ComparedSource> cheaper = on(paid, kind, interval -> interval.isBelow(average));
        List<ComparedSource> dearer = new ArrayList<>(on(paid, kind, interval -> interval.isAbove(average)));
        Collections.reverse(dearer);
        return new Answer(
                headline(cheaper.size(), dearer.size(), kind),
                names(cheaper, kind, figures),
                names(dearer, kind, figures),
                "A %s costs %s on average over the %s with spend, by %s%s.%s"
                        .formatted(
                                kind.key(),
                                figures.money(average),
                                paid.size() == 1 ? "one source" : paid.size() + " sources",
                                look.model().spoken(),
                                unpaid(comparison, kind, average, figures),
                                open(paid.size() - cheaper.size() - dearer.size(), paid.size())));
    }

    private static Answer plain(String headline, String detail) {
        return new Answer(headline, "", "", detail);
    }

    private static List<ComparedSource> on(List<ComparedSource> rows, OutcomeKind kind, Predicate<Interval> side) {
        return rows.stream()
                .filter(row -> row.costPer(kind).intervalMinor().filter(side).isPresent())
                .sorted(Comparator.comparingDouble(
                        row -> row.costPer(kind).valueMinor().orElse(Double.MAX_VALUE)))
                .toList();
    }

    private static String headline(int cheaper, int dearer, OutcomeKind kind) {
        if (cheaper + dearer == 0) {
            return "No source stands out yet: every cost per %s could still be the average.".formatted(kind.key());
        }
        if (dearer == 0) {
            return "%s a %s for clearly less than the average."
                    .formatted(sources(cheaper, "brings", "bring"), kind.key());
        }
        if (cheaper == 0) {
            return "%s clearly more than the average for a %s.".formatted(sources(dearer, "costs", "cost"), kind.key());
        }
        return "%s a %s for clearly less than the average, %s for clearly more."
                .formatted(
                        sources(cheaper, "brings", "bring"),
                        kind.key(),
                        number(dearer).toLowerCase(Locale.ROOT));
    }

    private static String sources(int number, String one, String many) {
        return number == 1 ? "One source " + one : "%s sources %s".formatted(number(number), many);
    }

    /** Small numbers as words, as a sentence has them. */
    private static String number(int number) {
        List<String> words = List.of("No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine");
        return number < words.size() ? words.get(number) : String.valueOf(number);
    }

    private static String names(List<ComparedSource> rows, OutcomeKind kind, Figures figures) {
        String named = rows.stream()
                .limit(MOST_NAMES)
                .map(row -> row.name() + cost(row, kind, figures))
                .collect(Collectors.joining(", "));
        int more = rows.size() - MOST_NAMES;
        return more > 0 ? named + " and %d more".formatted(more) : named;
    }

    private static String cost(ComparedSource row, OutcomeKind kind, Figures figures) {
        OptionalDouble value = row.costPer(kind).valueMinor();
        return value.isPresent() ? " " + figures.moneyShort(value.getAsDouble()) : " (none yet)";
    }

    /** What the total's own figure says, which also counts outcomes that nothing was paid for. */
    private static String unpaid(Comparison comparison, OutcomeKind kind, double average, Figures figures) {
        OptionalDouble all = comparison.total().costPer(kind).valueMinor();
        return all.isEmpty() || figures.money(all.getAsDouble()).equals(figures.money(average))
                ? ""
                : " (%s with those of no known or no paid source)".formatted(figures.money(all.getAsDouble()));
    }

    private static String open(int open, int paid) {
        if (open == 0) {
            return "";
        }
        String which = open == paid ? "all of them" : open == 1 ? "one other" : "%d others".formatted(open);
        return " For %s it is too early to tell: the 95 %% interval includes the average.".formatted(which);
    }
}
