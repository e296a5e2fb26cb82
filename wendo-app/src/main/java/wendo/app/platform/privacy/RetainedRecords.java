package wendo.app.platform.privacy;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;

/** What one feature keeps of people for a time, and forgets then. Counts, credit and money stay. */
public interface RetainedRecords {
    RetainedKind kind();

    /** How many records are older than that and still say who it was. */
    int count(Instant before);

    /** Forgets them; answers the outcomes, if any, of which all that other features keep has to go too. */
    Set<UUID> forget(Instant before);

    /** Forgets what nothing points to any more, once everything else was forgotten. */
    default void tidyUp() {}
}
