package wendo.app.credit;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.credit.Entry;
import wendo.core.outcomes.Clue;
import wendo.core.outcomes.OutcomeKind;

/**
 * An outcome to be credited.
 *
 * @param entries what it was reported with and what was taken back
 * @param clues what came with it beside its click identifier
 * @param kept all that is kept of what came with it, as text
 * @param follows the lead that it continues
 */
record DueOutcome(
        UUID id,
        OutcomeKind kind,
        Instant occurredAt,
        Optional<UUID> click,
        List<Entry> entries,
        List<Clue> clues,
        List<String> kept,
        Optional<UUID> follows) {
    DueOutcome {
        entries = List.copyOf(entries);
        clues = List.copyOf(clues);
        kept = List.copyOf(kept);
    }
}
