package wendo.app.outcome.outcomes;

import java.time.Instant;
import java.util.Map;
import wendo.app.platform.site.Figures;

/** A change of an outcome as people read it: money and times in the business's own way. */
public record ChangeWords(String field, String before, String after) {
    private static final Map<String, String> LABELS = Map.of("evidence", "click identifier", "time", "time");

    public static ChangeWords of(KnownOutcome.Change change, Figures figures) {
        return new ChangeWords(
                LABELS.getOrDefault(change.field(), change.field()),
                words(change.field(), change.before(), figures),
                words(change.field(), change.after(), figures));
    }

    private static String words(String field, String kept, Figures figures) {
        if (kept.isEmpty()) {
            return "–";
        }
        return switch (field) {
            case "value", "refunded" -> figures.money(Long.parseLong(kept));
            case "time" -> time(kept, figures);
            default -> kept;
        };
    }

    /** A day alone is kept as its first and last moment. */
    private static String time(String kept, Figures figures) {
        int between = kept.indexOf('/');
        return between < 0
                ? figures.moment(Instant.parse(kept))
                : figures.dayOf(Instant.parse(kept.substring(between + 1)));
    }

    /** In the middle of a sentence. */
    public String inWords() {
        return before.equals("–")
                ? "%s set to %s".formatted(field, after)
                : "%s %s from %s to %s".formatted(field, field.equals("time") ? "moved" : "changed", before, after);
    }
}
