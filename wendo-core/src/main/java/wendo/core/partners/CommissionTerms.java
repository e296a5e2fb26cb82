package wendo.core.partners;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Map;
import java.util.OptionalLong;
import wendo.core.outcomes.OutcomeKind;

/**
 * What a partner gets for what. Ours.
 *
 * @param rates by what was done; what is not among them earns nothing
 * @param taxPercent what is in a value and does not count, 0 to 100: the base is value × 100 ÷ (100 + tax)
 * @param mostPerOutcomeMinor in minor units
 * @param mostPerMonthMinor in minor units, of the business's calendar month
 * @param firstOnly whether a customer's first outcome of a kind alone earns
 * @param heldDays how long a commission waits for returns, 0 or more
 */
public record CommissionTerms(
        Map<OutcomeKind, CommissionTiers> rates,
        BigDecimal taxPercent,
        OptionalLong mostPerOutcomeMinor,
        OptionalLong mostPerMonthMinor,
        boolean firstOnly,
        int heldDays) {
    private static final BigDecimal WHOLE = BigDecimal.valueOf(100);

    public CommissionTerms {
        rates = Map.copyOf(rates);
        if (taxPercent.signum() < 0 || taxPercent.compareTo(WHOLE) > 0) {
            throw new IllegalArgumentException("A tax must be 0 to 100 per cent, but was " + taxPercent);
        }
        if (mostPerOutcomeMinor.orElse(0) < 0 || mostPerMonthMinor.orElse(0) < 0 || heldDays < 0) {
            throw new IllegalArgumentException("A cap and the days held must be 0 or more, but were %s, %s and %d"
                    .formatted(mostPerOutcomeMinor, mostPerMonthMinor, heldDays));
        }
    }

    /** One rate for one kind of outcome, of its whole value, without a cap. */
    public static CommissionTerms of(OutcomeKind kind, CommissionTiers tiers) {
        return new CommissionTerms(
                Map.of(kind, tiers), BigDecimal.ZERO, OptionalLong.empty(), OptionalLong.empty(), false, 0);
    }

    public CommissionTerms withTaxPercent(String percent) {
        return new CommissionTerms(
                rates, new BigDecimal(percent), mostPerOutcomeMinor, mostPerMonthMinor, firstOnly, heldDays);
    }

    public CommissionTerms withMostPerOutcome(long minor) {
        return new CommissionTerms(rates, taxPercent, OptionalLong.of(minor), mostPerMonthMinor, firstOnly, heldDays);
    }

    public CommissionTerms withMostPerMonth(long minor) {
        return new CommissionTerms(rates, taxPercent, mostPerOutcomeMinor, OptionalLong.of(minor), firstOnly, heldDays);
    }

    public CommissionTerms withFirstOnly() {
        return new CommissionTerms(rates, taxPercent, mostPerOutcomeMinor, mostPerMonthMinor, true, heldDays);
    }

    public CommissionTerms withHeldDays(int days) {
        return new CommissionTerms(rates, taxPercent, mostPerOutcomeMinor, mostPerMonthMinor, firstOnly, days);
    }

    /** Of what is left of a value, without its tax; half up to the minor unit. */
    long base(long keptMinor) {
        return BigDecimal.valueOf(keptMinor)
                .multiply(WHOLE)
                .divide(WHOLE.add(taxPercent), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    /** Half up to the minor unit, and no more than an outcome may earn. */
    long capped(BigDecimal earned) {
        long minor = earned.setScale(0, RoundingMode.HALF_UP).longValueExact();
        return Math.min(minor, mostPerOutcomeMinor.orElse(Long.MAX_VALUE));
    }
}
