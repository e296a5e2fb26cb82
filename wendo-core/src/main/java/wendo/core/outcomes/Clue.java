package wendo.core.outcomes;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * One thing that came with an outcome and may join it to a source.
 *
 * @param said what came: the code, the answer, the address
 * @param source what it points to; empty while it matches nothing
 */
public record Clue(Evidence evidence, String said, Optional<UUID> source) {

    /** The strongest of those that point to a source: it decides. */
    public static Optional<Clue> strongest(List<Clue> clues) {
        return clues.stream().filter(clue -> clue.source().isPresent()).min(Comparator.comparing(Clue::evidence));
    }

    /** Those that point to another source than the strongest does: kept and shown, but deciding nothing. */
    public static List<Clue> disagreeing(List<Clue> clues) {
        return strongest(clues)
                .map(best -> clues.stream()
                        .filter(clue ->
                                clue.source().isPresent() && !clue.source().equals(best.source()))
                        .toList())
                .orElse(List.of());
    }
}
