package wendo.app.prepare.destinations;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** A destination as other features see it. */
public record DestinationListed(
        UUID id, String name, String address, String note, Optional<Instant> archivedAt, Health health) {

    /** What people call it: its name, else the title of its page, else its address. */
    public String label() {
        if (!name.isEmpty()) {
            return name;
        }
        return health.look().title().isEmpty() ? address : health.look().title();
    }
}
