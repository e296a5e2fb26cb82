package wendo.core.outcomes;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;

/**
 * When an outcome happened: at a moment, or on a day of which no time is known. A day stands at its last moment, so that
 * every touch of that day lies at or before it. Ours.
 *
 * @param first the first moment at which it can have happened, to the microsecond
 * @param last the last one, to the microsecond; the same where the moment is known
 */
public record Occurrence(Instant first, Instant last) {
    public Occurrence {
        first = first.truncatedTo(ChronoUnit.MICROS); // as fine as it is stored
        last = last.truncatedTo(ChronoUnit.MICROS);
        if (last.isBefore(first)) {
            throw new IllegalArgumentException(
                    "The last moment must not lie before the first, %s, but was %s".formatted(first, last));
        }
    }

    public static Occurrence at(Instant moment) {
        return new Occurrence(moment, moment);
    }

    public static Occurrence on(LocalDate day, ZoneId zone) {
        return new Occurrence(
                day.atStartOfDay(zone).toInstant(),
                day.plusDays(1).atStartOfDay(zone).toInstant().minus(1, ChronoUnit.MICROS));
    }

    public boolean isDay() {
        return first.isBefore(last);
    }

    /** What is known after news: a day alone does not move a known time of that day. */
    public Occurrence with(Occurrence news) {
        boolean isSameDay = news.isDay() && !last.isBefore(news.first) && !last.isAfter(news.last);
        return isSameDay ? this : news;
    }
}
