package wendo.app.prepare.sources;

import java.util.Optional;
import java.util.UUID;

/** A feature that keeps something of a source that cannot become another's. */
public interface SourceMergeGuard {
    /** Why a source cannot be merged into another one; empty if it can. */
    Optional<String> refusal(UUID merged);
}
