package wendo.core.measure;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/**
 * One amount for a period, spread evenly over its days by cumulative rounding: what falls in its days a to b is round(L·b/n)
 * − round(L·(a − 1)/n). So every part is within one minor unit of exact, and adjoining parts add up. Ours.
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
        // Half up: ⌊(2·L·b + n) ÷ 2n⌋, by whole and rest, so that no product overflows.
        return passed * (amountMinor / days) + (2 * passed * (amountMinor % days) + days) / (2 * days);
    }
}
