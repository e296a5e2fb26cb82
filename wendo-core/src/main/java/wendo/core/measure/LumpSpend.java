package wendo.core.measure;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/**
 * One amount for a period, spread evenly over its days. Pennies that do not divide go to the earliest days, so the days
 * always add up to the amount.
 */
public record LumpSpend(long amountMinor, Period period) {

    public LumpSpend {
        if (amountMinor < 0) {
            throw new IllegalArgumentException("Spend must be 0 or more, but was %d".formatted(amountMinor));
        }
    }

    /** What of it falls in the viewed period; the parts of adjoining periods add up. */
    public long within(Period viewed) {
        return untilDay(viewed.endExclusive()) - untilDay(viewed.startInclusive());
    }

    private long untilDay(LocalDate dayExclusive) {
        long days = period.days();
        long passed = Math.max(0, Math.min(days, ChronoUnit.DAYS.between(period.startInclusive(), dayExclusive)));
        return passed * (amountMinor / days) + Math.min(passed, amountMinor % days);
    }
}
