package wendo.core.links;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import wendo.core.text.Refused;

/**
 * Where a link leads for whom: the first rule whose conditions hold; else one of the ways of its split; else its own
 * destination. A person keeps their way of a split for as long as they are recognised.
 */
public record Routing(List<Rule> rules, List<Share> split) {
    public static final int MAX_RULES = 12;

    /** The link's own destination and two others. */
    public static final int MAX_SHARES = 2;

    private static final Routing NONE = new Routing(List.of(), List.of());

    public record Rule(Conditions when, Way way) {}

    /** Of a hundred people, this many go another way than the link's own. */
    public record Share(int percent, Way way) {
        public Share {
            if (percent < 1 || percent > 99) {
                throw new Refused("links.share", percent);
            }
        }
    }

    public Routing {
        rules = List.copyOf(rules);
        split = List.copyOf(split);
        if (rules.size() > MAX_RULES) {
            throw new Refused("links.too-many-rules", MAX_RULES, rules.size());
        }
        if (split.size() > MAX_SHARES) {
            throw new Refused("links.too-many-ways", MAX_SHARES, split.size());
        }
        int taken = split.stream().mapToInt(Share::percent).sum();
        if (taken > 99) {
            throw new Refused("links.shares-too-large", taken);
        }
    }

    public static Routing none() {
        return NONE;
    }

    public boolean isNone() {
        return rules.isEmpty() && split.isEmpty();
    }

    /** All its ways but the link's own. */
    public List<Way> ways() {
        return Stream.concat(rules.stream().map(Rule::way), split.stream().map(Share::way))
                .toList();
    }

    /** The people of a hundred who go the link's own way where no rule holds. */
    public int ownPercent() {
        return 100 - split.stream().mapToInt(Share::percent).sum();
    }

    public Way lead(Circumstances now, Way own) {
        return rules.stream()
                .filter(rule -> rule.when().hold(now))
                .findFirst()
                .map(Rule::way)
                .orElseGet(() -> share(now.visitor(), now.link(), own));
    }

    private Way share(UUID visitor, UUID link, Way own) {
        if (split.isEmpty()) {
            return own;
        }
        int place = place(visitor, link);
        int end = 0;
        for (Share share : split) {
            end += share.percent();
            if (place < end) {
                return share.way();
            }
        }
        return own;
    }

    /**
     * A number from 0 to 99, the same each time for one person and link, and independent from link to link: the
     * finalizer of SplitMix64 (Steele, Lea, Flood, OOPSLA 2014).
     */
    private static int place(UUID visitor, UUID link) {
        long mixed = visitor.getMostSignificantBits()
                ^ Long.rotateLeft(visitor.getLeastSignificantBits(), 32)
                ^ link.getMostSignificantBits()
                ^ link.getLeastSignificantBits();
        mixed = (mixed ^ (mixed >>> 30)) * 0xbf58476d1ce4e5b9L;
        mixed = (mixed ^ (mixed >>> 27)) * 0x94d049bb133111ebL;
        return (int) Long.remainderUnsigned(mixed ^ (mixed >>> 31), 100);
    }
}
