package wendo.app.visit.visits;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** Knows which arrivals are somebody's own test. */
public interface ProofBook {
    /** The browser of somebody who proves a link carries the proof's token in this cookie, on the link host. */
    String COOKIE = "wendo_proof";

    /** The proof of the current business that this token opened, if it was open at the time. */
    Optional<UUID> find(String token, Instant at);
}
