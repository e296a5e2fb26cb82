package wendo.app.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import wendo.app.site.Figures;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/**
 * The sentence on top of a comparison. It names a source only if its whole interval lies on one side of what an outcome
 * costs over all sources with spend.
 */
public record Answer(String headline, String detail) {
    private static final int MOST_NAMES = 3;

    public static Answer of(Comparison comparison, OutcomeKind kind, Figures figures) {
        List<ComparedSource> paid = comparison.rows().stream()
                .filter(row -> row.isSource() && row.spendMinor().isPresent())
                .toList();
        long spend = paid.stream().mapToLong(row -> row.spendMinor().orElse(0L)).sum();
        long count = paid.stream().mapToLong(row -> row.count(kind)).sum();
        String noun = kind.key();
        if (comparison.rows().stream().allMatch(row -> row.count(kind) == 0)) {
            return new Answer(
                    "No %s came in this period.".formatted(noun), "Choose a longer period, or another outcome.");
        }
        if (spend == 0 || count == 0) {
            return new Answer(
                    "What a %s costs cannot be said yet.".formatted(noun),
                    spend == 0
                            ? "No spend is entered for this period. Enter what each source cost under Spend."
                            : "The sources with spend brought no %s in this period.".formatted(noun));
        }
        double average = (double) spend / count;
        List<ComparedSource> cheaper = on(paid, kind, interval -> interval.isBelow(average));
        List<ComparedSource> dearer = on(paid, kind, interval -> interval.isAbove(average));
        int open = paid.size() - cheaper.size() - dearer.size();
        return new Answer(headline(cheaper, dearer, kind, figures), detail(average, paid.size(), open, kind, figures));
    }

    private static List<ComparedSource> on(
            List<ComparedSource> rows, OutcomeKind kind, java.util.function.Predicate<Interval> side) {
        return rows.stream()
                .filter(row -> row.costPer(kind).intervalMinor().filter(side).isPresent())
                .sorted(Comparator.comparingDouble(
                        row -> row.costPer(kind).valueMinor().orElse(Double.MAX_VALUE)))
                .toList();
    }

    private static String headline(
            List<ComparedSource> cheaper, List<ComparedSource> dearer, OutcomeKind kind, Figures figures) {
        if (cheaper.isEmpty() && dearer.isEmpty()) {
            return "No source stands out yet: every cost per %s could still be the average.".formatted(kind.key());
        }
        List<String> parts = new ArrayList<>();
        if (!cheaper.isEmpty()) {
            parts.add(names(cheaper, kind, figures)
                    + (cheaper.size() == 1 ? " brings" : " bring")
                    + " a %s for clearly less than the rest".formatted(kind.key()));
        }
        if (!dearer.isEmpty()) {
            List<ComparedSource> worstFirst = new ArrayList<>(dearer);
            java.util.Collections.reverse(worstFirst);
            parts.add(names(worstFirst, kind, figures) + (dearer.size() == 1 ? " costs" : " cost") + " clearly more");
        }
        return String.join("; ", parts) + ".";
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
        return value.isPresent() ? " (%s)".formatted(figures.moneyShort(value.getAsDouble())) : " (none yet)";
    }

    private static String detail(double average, int paid, int open, OutcomeKind kind, Figures figures) {
        String rest = open == 0
                ? ""
                : " For %s it is too early to tell: their 95 %% intervals include the average."
                        .formatted(
                                open == paid
                                        ? "all of them"
                                        : Optional.of(open)
                                                .filter(n -> n > 1)
                                                .map(n -> "the other " + n)
                                                .orElse("the other one"));
        return "A %s costs %s on average over the %d sources with spend, by last touch.%s"
                .formatted(kind.key(), figures.money(average), paid, rest);
    }
}
