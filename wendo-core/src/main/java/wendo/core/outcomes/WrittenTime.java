package wendo.core.outcomes;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;

/** A day as a cell names it, with the time and the offset from UTC that may stand behind it. */
public record WrittenTime(LocalDate day, Optional<LocalTime> time, Optional<ZoneOffset> offset) {
    public WrittenTime {
        if (offset.isPresent() && time.isEmpty()) {
            throw new IllegalArgumentException("An offset goes with a time only");
        }
    }

    /** When that was in a zone; an offset of its own goes before the zone. */
    public Occurrence in(ZoneId zone) {
        return time.map(of -> Occurrence.at(day.atTime(of)
                        .atZone(offset.map(ZoneId.class::cast).orElse(zone))
                        .toInstant()))
                .orElseGet(() -> Occurrence.on(day, zone));
    }
}
