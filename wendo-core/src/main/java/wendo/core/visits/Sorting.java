package wendo.core.visits;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Sorts arrivals into people, repeats, previews and robots. */
public final class Sorting {
    /** A second tap on the same link within this time is the same visit again. Ours. */
    public static final Duration REPEAT_WITHIN = Duration.ofSeconds(30);

    /** What such a tap is. */
    public static final Sorted AGAIN =
            new Sorted(VisitKind.REPEAT, "the same visitor opened the same link less than 30 seconds apart");

    private static final Pattern AHEAD =
            Pattern.compile("\\b(prefetch|prerender|preview)\\b", Pattern.CASE_INSENSITIVE);

    private final List<Pattern> crawlers;

    /** @param crawlerPatterns regular expressions that a crawler's user agent contains a match of */
    public Sorting(Collection<String> crawlerPatterns) {
        this.crawlers = crawlerPatterns.stream().map(Pattern::compile).toList();
    }

    /**
     * @param previous when the same visitor came by the same link in another visit, if ever: the last that is known,
     *     which can be a little later where two processes answer
     */
    public Sorted sort(Arrival arrival, Optional<Instant> previous) {
        return sort(arrival, sortUserAgent(arrival.userAgent()), previous);
    }

    /** @param automatic what {@link #sortUserAgent} said of the arrival's user agent */
    public static Sorted sort(Arrival arrival, Optional<Sorted> automatic, Optional<Instant> previous) {
        if (AHEAD.matcher(arrival.purpose()).find()) {
            return new Sorted(
                    VisitKind.PREVIEW,
                    "the browser fetched it ahead of time (purpose: %s)".formatted(arrival.purpose()));
        }
        if (automatic.isPresent()) {
            return automatic.get();
        }
        boolean again = previous.map(
                        at -> Duration.between(at, arrival.at()).abs().compareTo(REPEAT_WITHIN) < 0)
                .orElse(false);
        return again ? AGAIN : new Sorted(VisitKind.PERSON, "an ordinary browser");
    }

    /** What the user agent alone tells; costly, so callers keep the answer. Empty for an ordinary browser. */
    public Optional<Sorted> sortUserAgent(String userAgent) {
        Optional<Sorted> preview = PreviewPrograms.nameOf(userAgent)
                .map(name -> new Sorted(VisitKind.PREVIEW, "a program that draws link previews (%s)".formatted(name)));
        if (preview.isPresent()) {
            return preview;
        }
        if (userAgent.isBlank()) {
            return Optional.of(new Sorted(VisitKind.ROBOT, "it named no browser"));
        }
        return crawlers.stream()
                .filter(pattern -> pattern.matcher(userAgent).find())
                .findFirst()
                .map(pattern -> new Sorted(
                        VisitKind.ROBOT, "its user agent is in the list of crawlers (%s)".formatted(pattern)));
    }
}
