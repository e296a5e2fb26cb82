package wendo.app.outcome.outcomes;

import java.util.Optional;
import java.util.UUID;

/** What became of a report. */
public sealed interface Recorded {
    /** It was the first news of this outcome. */
    record New(UUID outcome) implements Recorded {}

    /** This outcome is known, and the report told something else of it than what was known before. */
    record Changed(UUID outcome, KnownOutcome before) implements Recorded {}

    /** This outcome is known; the report changed nothing. */
    record AlreadyKnown(UUID outcome) implements Recorded {}

    /** What the report told does not go with what is known. */
    record Refused(String field, String message) implements Recorded {}

    /** The outcome that it was news of; empty if it was refused. */
    default Optional<UUID> known() {
        if (this instanceof New one) {
            return Optional.of(one.outcome());
        }
        if (this instanceof Changed one) {
            return Optional.of(one.outcome());
        }
        return this instanceof AlreadyKnown one ? Optional.of(one.outcome()) : Optional.empty();
    }
}
