package wendo.core.measure;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;

/** Whole days of a business, half-open, so that periods never overlap or leave gaps. At least one day. */
public record Period(LocalDate startInclusive, LocalDate endExclusive) {

    public Period {
        if (!startInclusive.isBefore(endExclusive)) {
            throw new IllegalArgumentException(
                    "A period ends after it starts, but was %s to before %s".formatted(startInclusive, endExclusive));
        }
    }

    /** Both days belong to it. */
    public static Period ofDays(LocalDate first, LocalDate last) {
        return new Period(first, last.plusDays(1));
    }

    public LocalDate lastDay() {
        return endExclusive.minusDays(1);
    }

    public long days() {
        return ChronoUnit.DAYS.between(startInclusive, endExclusive);
    }

    public Instant startsAt(ZoneId zone) {
        return startInclusive.atStartOfDay(zone).toInstant();
    }

    public Instant endsBefore(ZoneId zone) {
        return endExclusive.atStartOfDay(zone).toInstant();
    }
}
