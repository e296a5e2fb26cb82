package wendo.app.prepare.destinations;

import java.time.Instant;
import java.util.Optional;

/** How a destination was when it was last looked at, and since when it fails, if it does. */
public record Health(Optional<Instant> checkedAt, Optional<Instant> failingSince, Look look) {

    public boolean isKnown() {
        return checkedAt.isPresent();
    }

    public boolean isFailing() {
        return isKnown() && !look.isWell();
    }
}
