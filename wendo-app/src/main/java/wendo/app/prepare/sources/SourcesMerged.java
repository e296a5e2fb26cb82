package wendo.app.prepare.sources;

import java.util.UUID;

/** Two sources turned out to be one: all that was the merged one's is the kept one's, in the same transaction. */
public record SourcesMerged(UUID kept, UUID merged) {}
