package wendo.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A part of a whole, such as leads ÷ people. Without a whole there is no rate. More parts than whole (a person with two
 * leads) is a ratio that no interval for proportions covers. A part may be a sum of shares, as credit is; its interval is
 * then rather too wide than too narrow, for shares vary less than whole things.
 */
public record Rate(double part, long whole) {
    /** The two-sided 95 % quantile of the standard normal distribution. */
    static final double Z_95 = 1.959963984540054;

    public Rate {
        if (!(part >= 0) || whole < 0) {
            throw new IllegalArgumentException("Counts must be 0 or more, but were %s of %d".formatted(part, whole));
        }
    }

    public OptionalDouble value() {
        return whole == 0 ? OptionalDouble.empty() : OptionalDouble.of(part / whole);
    }

    /**
     * The Wilson score interval at 95 %, in [0, 1]; empty when {@code whole} is 0 or less than {@code part}. E. B.
     * Wilson, J. Am. Stat. Assoc. 22 (1927) 209–212; method 3 of R. G. Newcombe, Statistics in Medicine 17 (1998)
     * 857–872.
     */
    public Optional<Interval> interval() {
        if (whole == 0 || part > whole) {
            return Optional.empty();
        }
        double n = whole;
        double p = part / n;
        double z2 = Z_95 * Z_95;
        double centre = p + z2 / (2 * n);
        double reach = Z_95 * Math.sqrt(p * (1 - p) / n + z2 / (4 * n * n));
        double scale = 1 + z2 / n;
        // Rounding can carry a bound past 0 or 1 by 1e-18; with no or all successes the bound is exact.
        double low = part == 0 ? 0 : Math.max(0, (centre - reach) / scale);
        double high = part == whole ? 1 : Math.min(1, (centre + reach) / scale);
        return Optional.of(new Interval(low, high));
    }
}
