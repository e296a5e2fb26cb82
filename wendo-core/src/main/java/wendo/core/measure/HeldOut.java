package wendo.core.measure;

import java.util.Optional;

/**
 * People who were mailed beside a random part of the same list that got nothing: what the mailing brought beyond what would
 * have come anyway. Common practice in direct mail.
 *
 * @param mailed of those who were mailed, how many had an outcome
 * @param heldOut likewise of those who were not
 */
public record HeldOut(Rate mailed, Rate heldOut) {

    /** How many people, and from how many to how many at 95 %; less than 0 if fewer came than would have anyway. */
    public record Extra(double value, double low, double high) {

        /** Whether the mailing clearly brought, or clearly cost, anything. */
        public boolean isClear() {
            return low > 0 || high < 0;
        }
    }

    /** (rate with − rate without) × people mailed, with Newcombe's interval; empty while one of them has nobody. */
    public Optional<Extra> extra() {
        return RateDifference.of(mailed, heldOut)
                .map(difference -> new Extra(
                        difference.value() * mailed.whole(),
                        difference.low() * mailed.whole(),
                        difference.high() * mailed.whole()));
    }
}
