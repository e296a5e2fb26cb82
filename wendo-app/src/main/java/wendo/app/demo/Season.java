package wendo.app.demo;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;

/** A simulated season: what happened, in order of time. */
record Season(List<Came> visits, List<Did> outcomes) {

    /** Somebody or something opened a source's link; {@code slug} names the link. */
    record Came(ClickId click, String slug, UUID visitor, String userAgent, String referrer) {}

    /** Somebody did what the business wanted. Without a click nothing tells where they came from. */
    record Did(OutcomeKind kind, String reference, long valueMinor, Optional<ClickId> click, Instant at) {}

    Season {
        visits = List.copyOf(visits);
        outcomes = List.copyOf(outcomes);
    }
}
