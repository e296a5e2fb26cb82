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
 * @param base what of an outcome's value counts
 * @param mostPerOutcomeMinor in minor units
 * @param mostPerMonthMinor in minor units, of the business's calendar month
 * @param firstOnly whether a customer's first outcome of a kind alone earns
 * @param heldDays how long a commission waits for returns, 0 or more
 */
public record CommissionTerms(
        Map<OutcomeKind, CommissionTiers> rates,
        CommissionBase base,
        OptionalLong mostPerOutcomeMinor,
        OptionalLong mostPerMonthMinor,
        boolean firstOnly,
        int heldDays) {
    public CommissionTerms {
        rates = Map.copyOf(rates);
        if (mostPerOutcomeMinor.orElse(0) < 0 || mostPerMonthMinor.orElse(0) < 0 || heldDays < 0) {
            throw new IllegalArgumentException("A cap and the days held must be 0 or more, but were %s, %s and %d"
                    .formatted(mostPerOutcomeMinor, mostPerMonthMinor, heldDays));
        }
    }

    /** One rate for one kind of outcome, of its whole value, without a cap. */
    public static CommissionTerms of(OutcomeKind kind, CommissionTiers tiers) {
        return new CommissionTerms(
                Map.of(kind, tiers), CommissionBase.WHOLE, OptionalLong.empty(), OptionalLong.empty(), false, 0);
    }

    public CommissionTerms withBase(CommissionBase other) {
        return new CommissionTerms(rates, other, mostPerOutcomeMinor, mostPerMonthMinor, firstOnly, heldDays);
    }

    public CommissionTerms withMostPerOutcome(long minor) {
        return new CommissionTerms(rates, base, OptionalLong.of(minor), mostPerMonthMinor, firstOnly, heldDays);
    }

    public CommissionTerms withMostPerMonth(long minor) {
        return new CommissionTerms(rates, base, mostPerOutcomeMinor, OptionalLong.of(minor), firstOnly, heldDays);
    }

    public CommissionTerms withFirstOnly() {
        return new CommissionTerms(rates, base, mostPerOutcomeMinor, mostPerMonthMinor, true, heldDays);
    }

    public CommissionTerms withHeldDays(int days) {
        return new CommissionTerms(rates, base, mostPerOutcomeMinor, mostPerMonthMinor, firstOnly, days);
    }

    /** Half up to the minor unit, and no more than an outcome may earn. */
    long capped(BigDecimal earned) {
        return Math.min(rounded(earned), mostPerOutcomeMinor.orElse(Long.MAX_VALUE));
    }

    private static long rounded(BigDecimal earned) {
        return earned.setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    /** Whether an outcome would have earned more but for its cap. */
    boolean isCapped(BigDecimal earned) {
        return rounded(earned) > mostPerOutcomeMinor.orElse(Long.MAX_VALUE);
    }
}
