package wendo.app.visit.arrivals;

import java.util.List;
import java.util.UUID;

/** Kept arrivals of these visitors are of another source from now on. */
public record ArrivalsAdopted(List<UUID> visitors) {
    public ArrivalsAdopted {
        visitors = List.copyOf(visitors);
    }
}
