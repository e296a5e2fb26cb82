package wendo.app.compare.crosscheck;

import java.util.List;
import wendo.app.platform.site.Figures;
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
                "%s counts %s %s, we count %s"
                        .formatted(
                                check.system(),
                                figures.count(counts.theirs()),
                                counts.theirs() == 1
                                        ? check.counted().key()
                                        : check.counted().plural(),
                                figures.count(counts.ours())),
                "%s, %s the tolerance of %s."
                        .formatted(
                                difference(counts, figures),
                                counts.isBeyond(check.tolerancePercent()) ? "beyond" : "within",
                                figures.wholePercent(check.tolerancePercent() / 100.0)),
                counts.causes().stream()
                        .map(cause -> line(cause, check, figures))
                        .toList(),
                rest(counts, check.counted(), figures));
    }

    /** Theirs against ours, such as “18 % more than ours”. */
    static String difference(CrossCheck counts, Figures figures) {
        if (counts.difference() == 0) {
            return "the same as ours";
        }
        String by = counts.ratio().isPresent()
                ? figures.percent(Math.abs(counts.ratio().getAsDouble() - 1))
                : figures.count(Math.abs(counts.difference()));
        return "%s %s than ours".formatted(by, counts.difference() > 0 ? "more" : "fewer");
    }

    private static Line line(CrossCheck.Cause cause, Check check, Figures figures) {
        String effect = cause.effect() == 0
                ? "none"
                : "%s%s".formatted(cause.effect() > 0 ? "+" : "−", figures.count(Math.abs(cause.effect())));
        return switch (cause.reason()) {
            case ROBOTS -> new Line("Robots", "we leave them out; they may count them", effect);
            case PREVIEWS -> new Line("Previews and mail scanners", "we leave them out; they may count them", effect);
            case REPEATS -> new Line("Double taps", "within 30 seconds, which we count once", effect);
            case PROOFS -> new Line("Own tests", "we leave them out; they may count them", effect);
            case TAKEN_BACK ->
                new Line("Cancelled or refunded", "no longer counted here; they may still count them", effect);
            case UNKNOWN_SOURCE ->
                new Line(
                        "With no known source",
                        "%s that we can join to nothing; some may be theirs"
                                .formatted(check.counted().plural()),
                        effect);
            case TIME_ZONE ->
                new Line("Time zone", "what lies in their days, %s, and not in ours".formatted(check.zone()), effect);
            case LOST -> new Line("Lost before their page loaded", "the site tag never saw the page open", effect);
        };
    }

    private static String rest(CrossCheck counts, Counted counted, Figures figures) {
        String range = counts.leastExplained() == counts.mostExplained()
                ? "Nothing that we know explains a difference."
                : "Together these explain any count from %s to %s."
                        .formatted(figures.count(counts.leastExplained()), figures.count(counts.mostExplained()));
        if (counts.unexplained() == 0) {
            return range + (counts.difference() == 0 ? "" : " Theirs lies within.");
        }
        return counts.unexplained() > 0
                ? range
                        + " %s of theirs remain unexplained: %s."
                                .formatted(figures.count(counts.unexplained()), asking(counted))
                : range
                        + " %s of ours are missing from theirs without a reason that we know: send them our list of %s."
                                .formatted(figures.count(-counts.unexplained()), counted.plural());
    }

    private static String asking(Counted counted) {
        return counted == Counted.VISIT
                ? "ask what they count as a visit"
                : "ask for their list of %s, and hold it against the ledger".formatted(counted.plural());
    }
}
