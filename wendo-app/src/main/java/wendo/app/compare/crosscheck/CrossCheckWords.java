package wendo.app.compare.crosscheck;

import java.util.List;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CrossCheck;

/**
 * A cross-check in words.
 *
 * @param headline both counts and their difference
 * @param verdict whether the difference is worth looking at
 * @param causes what can explain it
 * @param rest what nothing explains
 */
record CrossCheckWords(String headline, String verdict, List<Line> causes, String rest) {

    /** @param effect with its sign */
    record Line(String cause, String rule, String effect) {}

    static CrossCheckWords of(Check check, CrossCheck counts, Figures figures) {
        return new CrossCheckWords(
                Texts.of(
                        "compare.crosscheck.they-say-wendo-counted",
                        check.system(),
                        figures.count(counts.theirs()),
                        check.counted().noun(counts.theirs()),
                        figures.count(counts.ours())),
                Texts.of(
                        counts.isBeyond(check.tolerancePercent())
                                ? "compare.crosscheck.beyond-tolerance"
                                : "compare.crosscheck.within-tolerance",
                        difference(counts, figures),
                        figures.wholePercent(check.tolerancePercent() / 100.0)),
                counts.causes().stream()
                        .map(cause -> line(cause, check, figures))
                        .toList(),
                rest(counts, check.counted(), figures));
    }

    /** Theirs against ours, such as “18 % more than ours”. */
    static String difference(CrossCheck counts, Figures figures) {
        if (counts.difference() == 0) {
            return Texts.of("compare.crosscheck.the-same-as-ours");
        }
        String by = counts.ratio().isPresent()
                ? figures.percent(Math.abs(counts.ratio().getAsDouble() - 1))
                : figures.count(Math.abs(counts.difference()));
        return Texts.of(
                counts.difference() > 0 ? "compare.crosscheck.more-than-ours" : "compare.crosscheck.fewer-than-ours",
                by);
    }

    private static Line line(CrossCheck.Cause cause, Check check, Figures figures) {
        String effect = cause.effect() == 0
                ? Texts.of("compare.crosscheck.no-effect")
                : "%s%s".formatted(cause.effect() > 0 ? "+" : "−", figures.count(Math.abs(cause.effect())));
        return new Line(name(cause.reason()), explanation(cause.reason(), check), effect);
    }

    private static String name(CrossCheck.Reason reason) {
        return Texts.of(
                switch (reason) {
                    case ROBOTS -> "compare.crosscheck.robots";
                    case PREVIEWS -> "compare.crosscheck.previews-and-mail-scanners";
                    case REPEATS -> "compare.crosscheck.double-taps";
                    case PROOFS -> "compare.crosscheck.your-own-tests";
                    case TAKEN_BACK -> "compare.crosscheck.cancelled-or-refunded";
                    case UNKNOWN_SOURCE -> "compare.crosscheck.without-a-known-source";
                    case TIME_ZONE -> "compare.crosscheck.time-zone";
                    case LOST -> "compare.crosscheck.lost-before-their-page-loaded";
                });
    }

    private static String explanation(CrossCheck.Reason reason, Check check) {
        return switch (reason) {
            case ROBOTS, PREVIEWS, PROOFS -> Texts.of("compare.crosscheck.wendo-leaves-them-out-they");
            case REPEATS -> Texts.of("compare.crosscheck.within-30-seconds-wendo-counts");
            case TAKEN_BACK -> Texts.of("compare.crosscheck.no-longer-counted-here-they");
            case UNKNOWN_SOURCE ->
                Texts.of("compare.crosscheck.joined-to-nothing", check.counted().plural());
            case TIME_ZONE -> Texts.of("compare.crosscheck.what-lies-in-their-days", check.zone());
            case LOST -> Texts.of("compare.crosscheck.the-site-tag-never-saw");
        };
    }

    private static String rest(CrossCheck counts, Counted counted, Figures figures) {
        String range = counts.leastExplained() == counts.mostExplained()
                ? Texts.of("compare.crosscheck.nothing-known-explains-a-difference")
                : Texts.of(
                        "compare.crosscheck.together-these-explain-any-count",
                        figures.count(counts.leastExplained()),
                        figures.count(counts.mostExplained()));
        if (counts.unexplained() == 0) {
            return counts.difference() == 0 ? range : Texts.of("compare.crosscheck.theirs-lies-within", range);
        }
        return counts.unexplained() > 0
                ? Texts.of(
                        "compare.crosscheck.theirs-unexplained",
                        range,
                        figures.count(counts.unexplained()),
                        asking(counted))
                : Texts.of(
                        "compare.crosscheck.ours-missing",
                        range,
                        figures.count(-counts.unexplained()),
                        counted.plural());
    }

    private static String asking(Counted counted) {
        return counted == Counted.VISIT
                ? Texts.of("compare.crosscheck.ask-what-they-count-as")
                : Texts.of("compare.crosscheck.ask-for-their-list-of", counted.plural());
    }
}
