package wendo.app.issue.batches;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/** A file of links on its way. */
record Batch(
        UUID id,
        String name,
        List<String> columns,
        Matching matching,
        State state,
        String problem,
        int done,
        int total,
        Instant createdAt,
        String createdBy,
        BatchLooks.Found pages) {

    /** The states in which rows may still be matched otherwise. */
    static final List<State> OPEN = List.of(State.MATCHING, State.CHECKED, State.REFUSED);

    /** How far a batch has come. */
    enum State {
        MATCHING,
        CHECKING,
        CHECKED,
        ISSUING,
        ISSUED,
        REFUSED;

        String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static State of(String key) {
            return valueOf(key.toUpperCase(Locale.ROOT));
        }
    }

    Batch withMatching(Matching other) {
        return new Batch(id, name, columns, other, state, "", 0, total, createdAt, createdBy, pages);
    }

    public boolean isUnderWay() {
        return state == State.CHECKING || state == State.ISSUING;
    }

    public boolean isOpen() {
        return OPEN.contains(state);
    }
}
