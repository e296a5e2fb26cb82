package wendo.core.partners;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;

/**
 * What of an outcome's value counts. Ours.
 *
 * @param taxPercent what is in a value and does not count, 0 to 100: the base is value × 100 ÷ (100 + tax)
 * @param withoutDelivery whether what was paid for delivery is taken off first
 * @param items of which an outcome must have one, in any letter case; empty if all count
 */
public record CommissionBase(BigDecimal taxPercent, boolean withoutDelivery, List<String> items) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** All that was paid, whatever was bought. */
    public static final CommissionBase WHOLE = new CommissionBase(BigDecimal.ZERO, false, List.of());

    public CommissionBase {
        items = List.copyOf(items);
        if (taxPercent.signum() < 0 || taxPercent.compareTo(HUNDRED) > 0) {
            throw new IllegalArgumentException(
                    "A tax must be 0 to 100 per cent, but was " + taxPercent.toPlainString());
        }
    }

    public CommissionBase withTaxPercent(String percent) {
        return new CommissionBase(new BigDecimal(percent), withoutDelivery, items);
    }

    public CommissionBase withoutItsDelivery() {
        return new CommissionBase(taxPercent, true, items);
    }

    public CommissionBase withItems(String... some) {
        return new CommissionBase(taxPercent, withoutDelivery, List.of(some));
    }

    boolean counts(String bought) {
        String plain = bought.toLowerCase(Locale.ROOT);
        return items.isEmpty() || items.stream().anyMatch(one -> plain.contains(one.toLowerCase(Locale.ROOT)));
    }

    /** Half up to the minor unit; of a part that is left, delivery is taken off in proportion. */
    long of(Worth worth) {
        BigDecimal counted = BigDecimal.valueOf(worth.keptMinor());
        if (withoutDelivery && worth.valueMinor() > 0) {
            long goods = Math.max(0, worth.valueMinor() - worth.deliveryMinor());
            counted = counted.multiply(BigDecimal.valueOf(goods))
                    .divide(BigDecimal.valueOf(worth.valueMinor()), 10, RoundingMode.HALF_UP);
        }
        return counted.multiply(HUNDRED)
                .divide(HUNDRED.add(taxPercent), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }
}
