package wendo.simulation;

/**
 * How people and machines behave, whatever source they come by; all but {@code robots} are chances from 0 to 1.
 *
 * @param returning that a person comes back by another source within two weeks, and acts by that one
 * @param doubleTap that a person taps twice
 * @param lost that nothing that could tell where it came from comes with an outcome
 * @param late that an outcome is reported days after it happened
 * @param atTheTill that an outcome happens at the till, with the source's code in place of a click identifier
 * @param refundedWhole that a booking or purchase is refunded in whole; likewise in part
 * @param robots robots and previews, per person who comes
 * @param tests own tests per link, before it goes out
 */
public record Habits(
        double returning,
        double doubleTap,
        double lost,
        double late,
        double atTheTill,
        double refundedWhole,
        double refundedPart,
        double robots,
        int tests) {}
