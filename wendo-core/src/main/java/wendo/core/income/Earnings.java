package wendo.core.income;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import wendo.core.measure.Interval;
import wendo.core.measure.Takings;

/**
 * What visits that were sent out earned.
 *
 * @param visitsOut people's visits that went on to the network
 * @param earnedMinor of each outcome that was approved or paid, in minor units
 * @param pendingMinor what is reported but not approved, which is in no figure here
 */
public record Earnings(long visitsOut, List<Long> earnedMinor, long pendingMinor) {
    public Earnings {
        earnedMinor = List.copyOf(earnedMinor);
        if (visitsOut < 0) {
            throw new IllegalArgumentException("Visits must be 0 or more, but were " + visitsOut);
        }
    }

    public long sumMinor() {
        return earnedMinor.stream().mapToLong(Long::longValue).sum();
    }

    /** Approved income ÷ visits sent out, in minor units; empty without visits. */
    public OptionalDouble perVisitMinor() {
        return visitsOut == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) sumMinor() / visitsOut);
    }

    /**
     * Of what one visit earns, at 95 %: the {@linkplain Takings#interval BCa bootstrap interval} of the sum over visits,
     * each of which earns something or nothing. Empty under 5 that earned, or if more earned than were sent.
     */
    public Optional<Interval> interval() {
        if (visitsOut < earnedMinor.size()) {
            return Optional.empty();
        }
        return new Takings(visitsOut, earnedMinor)
                .interval()
                .map(sum -> new Interval(sum.low() / visitsOut, sum.high() / visitsOut));
    }
}
