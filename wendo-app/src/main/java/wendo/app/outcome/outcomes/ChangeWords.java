package wendo.app.outcome.outcomes;

import java.time.Instant;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;

/** A change of an outcome as people read it: money and times in the business's own way. */
public record ChangeWords(String field, String before, String after) {
    public static ChangeWords of(KnownOutcome.Change change, Figures figures) {
        return new ChangeWords(
                change.field(),
                words(change.field(), change.before(), figures),
                words(change.field(), change.after(), figures));
    }

    private static String words(String field, String kept, Figures figures) {
        if (kept.isEmpty()) {
            return "–";
        }
        return switch (field) {
            case "value", "refunded", "delivery" -> figures.money(Long.parseLong(kept));
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
                ? Texts.of("outcome.outcomes.set-to", called(), after)
                : Texts.of("outcome.outcomes.from-to", called(), field, before, after);
    }

    /** What people call the field. */
    public String called() {
        return Texts.of("outcome.outcomes.field-name", field);
    }
}
