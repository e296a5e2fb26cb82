package wendo.app.outcomes;

import java.util.UUID;

/** What became of a report. */
public sealed interface Recorded {
    UUID outcome();

    /** It was the first news of this outcome. */
    record New(UUID outcome) implements Recorded {}

    /** This outcome is known; the report changed nothing. */
    record AlreadyKnown(UUID outcome) implements Recorded {}
}
