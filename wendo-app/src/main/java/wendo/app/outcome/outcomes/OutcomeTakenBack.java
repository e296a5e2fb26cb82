package wendo.app.outcome.outcomes;

import java.util.UUID;

/** An outcome is about to go as if it had never been reported; what others keep of it goes first, in the same transaction. */
public record OutcomeTakenBack(UUID outcome) {}
