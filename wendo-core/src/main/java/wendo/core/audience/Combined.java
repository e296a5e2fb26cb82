package wendo.core.audience;

import java.util.List;

/** Several rules of which all, any or none have to hold. */
public record Combined(Match match, List<AudienceRule> parts) implements AudienceRule {
    /** More levels nobody reads as a sentence. Ours. */
    public static final int MOST_LEVELS = 3;

    /** So many conditions one statement of the database still answers at once. Ours. */
    public static final int MOST_CONDITIONS = 24;

    public Combined {
        parts = List.copyOf(parts);
        int levels = 1 + parts.stream().mapToInt(AudienceRule::depth).max().orElse(0);
        if (levels > MOST_LEVELS + 1) { // a condition within the innermost is a level too
            throw new IllegalArgumentException("Rules have " + MOST_LEVELS + " levels at most, not " + (levels - 1));
        }
        int all = parts.stream().mapToInt(AudienceRule::conditions).sum();
        if (all > MOST_CONDITIONS) {
            throw new IllegalArgumentException(
                    "An audience has " + MOST_CONDITIONS + " conditions at most, not " + all);
        }
    }

    @Override
    public int depth() {
        return 1 + parts.stream().mapToInt(AudienceRule::depth).max().orElse(0);
    }

    @Override
    public int conditions() {
        return parts.stream().mapToInt(AudienceRule::conditions).sum();
    }
}
