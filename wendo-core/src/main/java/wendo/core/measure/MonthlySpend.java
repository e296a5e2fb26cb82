package wendo.core.measure;

import java.time.LocalDate;
import java.util.Optional;

/**
 * The same amount for each calendar month, from a day on and perhaps to a last one. A month's amount is spread evenly over
 * all its days, as {@link LumpSpend} does, so of a month that is not covered in whole only these days count.
 *
 * @param endExclusive empty while it goes on
 */
public record MonthlySpend(long amountMinor, LocalDate startInclusive, Optional<LocalDate> endExclusive) {

    public MonthlySpend {
        if (amountMinor < 0) {
            throw new IllegalArgumentException("Spend must be 0 or more, but was %d".formatted(amountMinor));
        }
        if (endExclusive.filter(end -> !startInclusive.isBefore(end)).isPresent()) {
            throw new IllegalArgumentException(
                    "It ends after it starts, but was %s to before %s".formatted(startInclusive, endExclusive.get()));
        }
    }

    /** What of it falls in the viewed period; the parts of adjoining periods add up. */
    public long within(Period viewed) {
        LocalDate end =
                endExclusive.filter(day -> day.isBefore(viewed.endExclusive())).orElse(viewed.endExclusive());
        LocalDate day = startInclusive.isAfter(viewed.startInclusive()) ? startInclusive : viewed.startInclusive();
        long sum = 0;
        while (day.isBefore(end)) {
            LocalDate month = day.withDayOfMonth(1);
            LocalDate next = month.plusMonths(1);
            LocalDate until = next.isBefore(end) ? next : end;
            sum += new LumpSpend(amountMinor, new Period(month, next)).within(new Period(day, until));
            day = next;
        }
        return sum;
    }
}
