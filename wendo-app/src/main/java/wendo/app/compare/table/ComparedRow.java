package wendo.app.compare.table;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSql;
import wendo.core.links.Channel;
import wendo.core.measure.CostPer;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/**
 * One row of a comparison: a group, or what belongs to none, or the total. Counts of outcomes are credited ones.
 *
 * @param key what the group is told by in an address
 * @param rateBase what its outcomes are held against: people, or visits where people are not known
 * @param ratedMillionths what of its outcomes people of the rate's base brought; not what came by a code or a partner's report
 * @param spendMinor empty when no spend was entered for the period, which is not the same as none
 */
public record ComparedRow(
        String key,
        String name,
        Optional<Channel> channel,
        long visits,
        long people,
        long rateBase,
        Map<OutcomeKind, Credited> credited,
        Map<OutcomeKind, Long> ratedMillionths,
        Optional<Long> spendMinor) {
    static final String OTHERS = "others";
    public static final String TOTAL = "all";

    public ComparedRow {
        credited = Map.copyOf(credited);
        ratedMillionths = Map.copyOf(ratedMillionths);
    }

    public Credited credited(OutcomeKind kind) {
        return credited.getOrDefault(kind, Credited.none());
    }

    /** What has figures of its own on a screen of these rows: subscriptions only where there are any, or they are asked for. */
    public static List<OutcomeKind> kinds(OutcomeKind asked, ComparedRow... rows) {
        boolean hasSubscriptions = asked == OutcomeKind.SUBSCRIPTION
                || Arrays.stream(rows)
                        .anyMatch(row -> row.credited(OutcomeKind.SUBSCRIPTION).millionths() != 0);
        return Arrays.stream(OutcomeKind.values())
                .filter(kind -> kind != OutcomeKind.SUBSCRIPTION || hasSubscriptions)
                .toList();
    }

    public ComparedRow with(OutcomeKind kind, Credited other) {
        Map<OutcomeKind, Credited> changed = new EnumMap<>(OutcomeKind.class);
        changed.putAll(credited);
        changed.put(kind, other);
        return new ComparedRow(key, name, channel, visits, people, rateBase, changed, ratedMillionths, spendMinor);
    }

    /** The row of a group that nothing came to. */
    public ComparedRow withNothing() {
        return new ComparedRow(key, name, channel, 0, 0, 0, Map.of(), Map.of(), Optional.empty());
    }

    /** The value of bookings and purchases. */
    public long revenueMinor() {
        return credited.entrySet().stream()
                .filter(entry -> entry.getKey().isRevenue())
                .mapToLong(entry -> entry.getValue().minor())
                .sum();
    }

    /** Outcomes of a kind that people of the base brought ÷ people. */
    public Rate rate(OutcomeKind kind) {
        return new Rate(Math.max(0, ratedMillionths.getOrDefault(kind, 0L)) / 1e6, rateBase);
    }

    /** Spend ÷ outcomes of a kind. */
    public CostPer costPer(OutcomeKind kind) {
        return new CostPer(spendMinor.orElse(0L), credited(kind).count());
    }

    /** Whether it is known how many different people came. */
    public boolean knowsPeople() {
        return rateBase == people;
    }

    /** The source that the row is, in a comparison of sources. */
    public Optional<UUID> source() {
        try {
            return Optional.of(UUID.fromString(key));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Whether the row is what no source is credited with. */
    public boolean isUnknown() {
        return key.equals(GroupSql.UNKNOWN);
    }

    /** Whether it is a group of its own, rather than what belongs to none, or to many. */
    public boolean isGroup() {
        return !isUnknown() && !key.equals(GroupSql.NONE) && !key.equals(OTHERS) && !key.equals(TOTAL);
    }

    /** Whether the rows behind its numbers can be listed. */
    public boolean isListed() {
        return !key.equals(OTHERS);
    }
}
