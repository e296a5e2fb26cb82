package wendo.app.compare.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.Judged;
import wendo.app.platform.site.Figures;
import wendo.core.measure.AgainstAverage;
import wendo.core.measure.Verdict;
import wendo.core.outcomes.OutcomeKind;

/** What an answer says of the groups that have something to be held against, and of those that have not. */
record SummaryParts(Grouping grouping, OutcomeKind kind, List<Judged> held, List<Judged> searched) {
    private static final int MOST_OPEN = 3;
    private static final Comparator<Judged> DEAREST_FIRST =
            Comparator.comparingDouble(one -> -one.cost().valueMinor().orElse(Double.MAX_VALUE));

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
            return againstAverage() + " Set a target to see which are earning.";
        }
        return searched.isEmpty() ? byTarget() : byTarget() + " Without a target: " + lower(againstAverage());
    }

    private String byTarget() {
        int earning = held(Verdict.EARNING).size();
        int losing = held(Verdict.LOSING).size();
        int open = held(Verdict.TOO_EARLY).size();
        List<String> parts = new ArrayList<>();
        if (earning > 0) {
            parts.add(counted(earning) + (earning == 1 ? " is earning" : " are earning"));
        }
        if (losing > 0) {
            parts.add((parts.isEmpty() ? counted(losing) : String.valueOf(losing))
                    + (losing == 1 ? " is losing" : " are losing"));
        }
        if (parts.isEmpty()) {
            return "Too early to say: %s more data.".formatted(counted(open) + (open == 1 ? " needs" : " need"));
        }
        return String.join(", ", parts) + "."
                + (open == 0 ? "" : " %d %s more data.".formatted(open, open == 1 ? "needs" : "need"));
    }

    private String againstAverage() {
        int below = searched(AgainstAverage.BELOW).size();
        int above = searched(AgainstAverage.ABOVE).size();
        if (below + above == 0) {
            return "No %s stands out: each cost per %s could be the average.".formatted(grouping.noun(), kind.key());
        }
        if (above == 0) {
            return "%s clearly less per %s than the average.".formatted(costs(below), kind.key());
        }
        return below == 0
                ? "%s clearly more per %s than the average.".formatted(costs(above), kind.key())
                : "%s clearly less per %s than the average, %d clearly more."
                        .formatted(costs(below), kind.key(), above);
    }

    private String costs(int number) {
        return counted(number) + (number == 1 ? " costs" : " cost");
    }

    private String counted(int number) {
        return "%d %s".formatted(number, number == 1 ? grouping.noun() : grouping.plural());
    }

    private static String lower(String sentence) {
        return sentence.substring(0, 1).toLowerCase(Locale.ROOT) + sentence.substring(1);
    }

    List<ComparisonSummary.Named> named(Figures figures) {
        List<ComparisonSummary.Named> named = new ArrayList<>();
        add(named, "Earning", held(Verdict.EARNING), figures);
        add(named, "Losing", held(Verdict.LOSING).stream().sorted(DEAREST_FIRST).toList(), figures);
        add(named, "Clearly below average", searched(AgainstAverage.BELOW), figures);
        add(
                named,
                "Clearly above average",
                searched(AgainstAverage.ABOVE).stream().sorted(DEAREST_FIRST).toList(),
                figures);
        return List.copyOf(named);
    }

    private static void add(List<ComparisonSummary.Named> named, String label, List<Judged> rows, Figures figures) {
        if (!rows.isEmpty()) {
            named.add(new ComparisonSummary.Named(label, ComparisonSummary.names(rows, figures)));
        }
    }

    /** What would settle those for which it is too early. */
    String open(Figures figures) {
        List<Judged> open = held(Verdict.TOO_EARLY);
        String settling = open.stream()
                .limit(MOST_OPEN)
                .map(one -> one.row().name() + " " + one.settles(figures))
                .collect(Collectors.joining("; "));
        int more = open.size() - MOST_OPEN;
        return open.isEmpty() ? "" : "Too early: " + settling + (more > 0 ? "; and %d more".formatted(more) : "") + ".";
    }
}
