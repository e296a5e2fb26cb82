package wendo.core.partners;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;

/**
 * Rates that depend on what a partner has brought in the business's calendar month. Ours.
 *
 * @param by what is counted: outcomes, or the value of their bases
 * @param reach whether an outcome earns by the tier that it falls in, or all of a month by the tier that it reaches
 * @param tiers by where they begin, the first at 0
 */
public record CommissionTiers(Measure by, Reach reach, List<Tier> tiers) {
    /** What is counted. */
    public enum Measure {
        COUNT,
        VALUE
    }

    /** Which outcomes a tier is for. */
    public enum Reach {
        /** Those that fall in it; of a value that two tiers share, each part by its own. */
        MARGINAL,

        /** All of the month, once it is reached. */
        WHOLE
    }

    /**
     * A rate, and from where on it holds.
     *
     * @param over so many outcomes, or so much value in minor units, came before what it is for; 0 or more
     */
    public record Tier(long over, CommissionRate rate) {}

    public CommissionTiers {
        tiers = List.copyOf(tiers);
        if (tiers.isEmpty() || tiers.get(0).over() != 0) {
            throw new IllegalArgumentException("The first tier must begin at 0, but the tiers were " + tiers);
        }
        for (int i = 1; i < tiers.size(); i++) {
            if (tiers.get(i).over() <= tiers.get(i - 1).over()) {
                throw new IllegalArgumentException("Each tier must begin above the one before, but they were " + tiers);
            }
        }
    }

    /** The same rate for all. */
    public static CommissionTiers flat(CommissionRate rate) {
        return new CommissionTiers(Measure.COUNT, Reach.MARGINAL, List.of(new Tier(0, rate)));
    }

    /**
     * A part of a base, and what it earns by.
     *
     * @param baseMinor in minor units
     */
    public record Share(long baseMinor, CommissionRate rate) {
        BigDecimal earned() {
            return rate.of(baseMinor);
        }
    }

    /**
     * What one outcome earns, in the parts that it is worked out of.
     *
     * @param before what the month had before it
     * @param month what the month has in all
     */
    List<Share> shares(long baseMinor, MonthSoFar before, MonthSoFar month) {
        return switch (reach) {
            case WHOLE -> List.of(new Share(baseMinor, reached(at(month)).rate()));
            case MARGINAL ->
                by == Measure.COUNT
                        ? List.of(new Share(baseMinor, after(before.outcomes()).rate()))
                        : bands(baseMinor, before.baseMinor());
        };
    }

    private long at(MonthSoFar month) {
        return by == Measure.COUNT ? month.outcomes() : month.baseMinor();
    }

    /** The last tier that so much is more than. */
    private Tier reached(long total) {
        return after(Math.max(0, total - 1));
    }

    /** The tier of what comes next after so much. */
    private Tier after(long soFar) {
        Tier found = tiers.get(0);
        for (Tier tier : tiers) {
            if (tier.over() <= soFar) {
                found = tier;
            }
        }
        return found;
    }

    /** Each part of the base by the tier that it falls in; an amount is earned once, by the tier of its beginning. */
    private List<Share> bands(long baseMinor, long soFar) {
        if (baseMinor == 0 || after(soFar).rate() instanceof CommissionRate.Amount) {
            return List.of(new Share(baseMinor, after(soFar).rate()));
        }
        List<Share> bands = new ArrayList<>();
        for (int i = 0; i < tiers.size(); i++) {
            long from = Math.max(tiers.get(i).over(), soFar);
            long to = i + 1 < tiers.size() ? Math.min(tiers.get(i + 1).over(), soFar + baseMinor) : soFar + baseMinor;
            if (to > from && tiers.get(i).rate() instanceof CommissionRate.Percent share) {
                bands.add(new Share(to - from, share));
            }
        }
        return List.copyOf(bands);
    }
}
