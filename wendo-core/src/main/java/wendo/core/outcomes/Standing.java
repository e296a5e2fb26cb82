package wendo.core.outcomes;

/**
 * How an outcome stands, what it was worth, and what went back, in minor units. Only a refunded outcome has a refund, of
 * its value at most.
 */
public record Standing(OutcomeStatus status, long valueMinor, long refundedMinor) {
    public Standing {
        if (valueMinor < 0 || refundedMinor < 0 || refundedMinor > valueMinor) {
            throw new IllegalArgumentException(
                    "A refund must be 0 to the value of %d, but was %d".formatted(valueMinor, refundedMinor));
        }
        if (status != OutcomeStatus.REFUNDED && refundedMinor > 0) {
            throw new IllegalArgumentException("Only a refunded outcome has a refund; this one is " + status.key());
        }
    }

    /** Without news of it an outcome is open. */
    public static Standing open(long valueMinor) {
        return new Standing(OutcomeStatus.OPEN, valueMinor, 0);
    }

    /** The same outcome in another state; a refund of it is one of all unless {@link #withRefund} says otherwise. */
    public Standing withStatus(OutcomeStatus next) {
        long refunded = next != OutcomeStatus.REFUNDED ? 0 : status == next ? refundedMinor : valueMinor;
        return new Standing(next, valueMinor, refunded);
    }

    /** Another value. A refund is never more than it, and never grows by a value that was corrected. */
    public Standing withValue(long minor) {
        return new Standing(status, minor, Math.min(refundedMinor, minor));
    }

    /** Refunded to this amount in all. */
    public Standing withRefund(long minor) {
        return new Standing(OutcomeStatus.REFUNDED, valueMinor, minor);
    }

    /** What is left of its value. */
    public long keptMinor() {
        return status == OutcomeStatus.CANCELLED ? 0 : valueMinor - refundedMinor;
    }

    /** Whether it still counts: it was not cancelled, nor refunded as a whole. */
    public boolean counts() {
        return status != OutcomeStatus.CANCELLED && (status != OutcomeStatus.REFUNDED || refundedMinor < valueMinor);
    }
}
