package wendo.app.platform.privacy;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;

/**
 * What one feature keeps of people for a time, and forgets then. Counts, credit and money stay. A feature forgets either
 * records of its own, or outcomes with all that every feature keeps of them.
 */
public interface RetainedRecords {
    RetainedKind kind();

    /** Outcomes older than that which still say whose they were: all that is kept of them goes, in every feature. */
    default Set<UUID> outcomes(Instant before) {
        return Set.of();
    }

    /** How many records are older than that and still say who it was. */
    default int count(Instant before) {
        return outcomes(before).size();
    }

    /** Forgets records of its own. */
    default void forget(Instant before) {}

    /** Forgets what nothing points to any more, once everything else was forgotten. */
    default void tidyUp() {}
}
