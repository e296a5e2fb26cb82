package wendo.app.compare;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.core.links.Channel;
import wendo.core.measure.CostPer;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/**
 * One row of a comparison: a source, or what came from nowhere known, or the total. Counts of outcomes are credited
 * ones.
 *
 * @param id empty of what is no source
 * @param spendMinor empty when no spend was entered for the period, which is not the same as none
 */
public record ComparedSource(
        Optional<UUID> id,
        String name,
        Optional<Channel> channel,
        long visits,
        long people,
        Map<OutcomeKind, Credited> credited,
        long revenueMinor,
        Optional<Long> spendMinor) {
    static final String UNKNOWN = "Direct or unknown";

    public ComparedSource {
        credited = Map.copyOf(credited);
    }

    public Credited credited(OutcomeKind kind) {
        return credited.getOrDefault(kind, Credited.none());
    }

    /** Outcomes of a kind ÷ people. */
    public Rate rate(OutcomeKind kind) {
        return new Rate(credited(kind).count().value(), people);
    }

    /** Spend ÷ outcomes of a kind. */
    public CostPer costPer(OutcomeKind kind) {
        return new CostPer(spendMinor.orElse(0L), credited(kind).count());
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
