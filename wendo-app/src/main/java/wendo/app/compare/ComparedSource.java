package wendo.app.compare;

import java.util.Optional;
import wendo.core.links.Channel;
import wendo.core.measure.CostPer;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/**
 * One row of a comparison: a source, or what came from nowhere known, or the total. Counts of outcomes are credited
 * ones.
 *
 * @param spendMinor empty when no spend was entered for the period, which is not the same as none
 */
public record ComparedSource(
        String name,
        Optional<Channel> channel,
        long visits,
        long people,
        long leads,
        long bookings,
        long purchases,
        long revenueMinor,
        Optional<Long> spendMinor) {
    static final String UNKNOWN = "Direct or unknown";

    public long count(OutcomeKind kind) {
        return switch (kind) {
            case LEAD -> leads;
            case BOOKING -> bookings;
            case PURCHASE -> purchases;
        };
    }

    /** Outcomes of a kind ÷ people. */
    public Rate rate(OutcomeKind kind) {
        return new Rate(count(kind), people);
    }

    /** Spend ÷ outcomes of a kind. */
    public CostPer costPer(OutcomeKind kind) {
        return new CostPer(spendMinor.orElse(0L), count(kind));
    }

    /** Whether the row is what no source is credited with. */
    public boolean isUnknown() {
        return channel.isEmpty() && name.equals(UNKNOWN);
    }

    /** Whether the row is a source of the business, rather than what came from nowhere known. */
    public boolean isSource() {
        return channel.isPresent();
    }
}
