package wendo.app.compare.crosscheck;

import java.time.Instant;
import java.util.Optional;

/** What each side says that the count is. */
record Settlement(Optional<Said> ours, Optional<Said> theirs) {
    static final Settlement OPEN = new Settlement(Optional.empty(), Optional.empty());

    /** A number, and who says it. */
    record Said(long number, String by, Instant at) {}

    /** The number that both agree on. */
    public Optional<Long> number() {
        return ours.map(Said::number)
                .filter(number ->
                        theirs.map(Said::number).filter(number::equals).isPresent());
    }
}
