package wendo.app.compare.sql;

import java.math.BigDecimal;
import wendo.core.measure.Count;

/**
 * Outcomes of a kind that are credited, in whole or in shares.
 *
 * @param millionths of outcomes; less than 0 if more was taken back than came
 * @param squares the sum of the squares of the shares
 * @param minor their value
 */
public record Credited(long millionths, double squares, long minor) {
    private static final int DIGITS = 6;

    public static Credited none() {
        return new Credited(0, 0, 0);
    }

    /** As a number of outcomes, exactly. */
    public BigDecimal number() {
        BigDecimal number = BigDecimal.valueOf(millionths, DIGITS).stripTrailingZeros();
        return number.scale() < 0 ? number.setScale(0) : number;
    }

    /** For rates and costs; a negative number counts as 0. */
    public Count count() {
        return millionths <= 0 ? Count.of(0) : new Count(number().doubleValue(), squares);
    }

    public Credited plus(Credited other) {
        return new Credited(millionths + other.millionths, squares + other.squares, minor + other.minor);
    }
}
