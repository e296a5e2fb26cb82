package wendo.app.prepare.destinations;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What one look at a page found.
 *
 * @param status of its last answer, if it answered
 * @param hops the addresses it was reached by way of, the first and the last included
 * @param certificateUntil when the certificate of its last host ends, if it has one
 * @param card what the page says of itself to whoever draws a card of it
 * @param problem why people would not see the page; empty text if they would
 */
public record Look(
        Optional<Integer> status,
        String title,
        List<String> hops,
        Optional<Instant> certificateUntil,
        PageCard card,
        String problem) {
    private static final Duration SOON = Duration.ofDays(14);
    private static final int MAX_TITLE = 300;

    public Look {
        title = title.length() <= MAX_TITLE ? title : title.substring(0, MAX_TITLE);
        hops = List.copyOf(hops);
    }

    public boolean isWell() {
        return problem.isEmpty();
    }

    public int redirects() {
        return Math.max(0, hops.size() - 1);
    }

    /** Whether the certificate ends within two weeks: browsers will refuse the page from then on. */
    public boolean endsSoon(Instant now) {
        return certificateUntil.map(end -> end.isBefore(now.plus(SOON))).orElse(false);
    }
}
