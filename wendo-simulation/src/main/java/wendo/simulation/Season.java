package wendo.simulation;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;

/** A simulated season: what happened, in order of time. */
public record Season(List<Came> visits, List<Did> outcomes) {

    /**
     * Somebody or something opened a source's link.
     *
     * @param slug names the link
     * @param isTest whether the business tried it out itself
     */
    public record Came(ClickId click, String slug, UUID visitor, String userAgent, String referrer, boolean isTest) {}

    /**
     * Somebody did what the business wanted. With neither a click nor a code nothing tells where they came from.
     *
     * @param code what was given at the till, if it was there
     * @param reportedAt when the business hears of it
     * @param takenBack what was refunded later, if anything
     */
    public record Did(
            OutcomeKind kind,
            String reference,
            long valueMinor,
            Optional<ClickId> click,
            Optional<String> code,
            Instant at,
            Instant reportedAt,
            Optional<TakenBack> takenBack) {}

    /** A refund: how much, and when. */
    public record TakenBack(long minor, Instant at) {}

    public Season {
        visits = List.copyOf(visits);
        outcomes = List.copyOf(outcomes);
    }
}
