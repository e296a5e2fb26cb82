package wendo.app.platform.site;

import java.util.Set;

/**
 * A column of a list.
 *
 * @param key as it stands in addresses
 * @param heading the key of the text that heads it
 * @param sql what the list is sorted by when this column is pressed; empty text where rows are sorted in memory
 */
public record ListColumn(String key, String heading, String sql, Set<Trait> traits) {
    /** What a column is beyond the usual. */
    public enum Trait {
        /** The first press on its heading brings the greatest or latest on top. */
        GREATEST_FIRST,
        FIGURE,
        /** Not shown until somebody chooses it. */
        ON_WISH,
        NOT_SORTABLE
    }

    public ListColumn {
        traits = Set.copyOf(traits);
    }

    public static ListColumn of(String key, String heading, String sql, Trait... traits) {
        return new ListColumn(key, heading, sql, Set.of(traits));
    }

    public boolean isGreatestFirst() {
        return traits.contains(Trait.GREATEST_FIRST);
    }

    public boolean isFigure() {
        return traits.contains(Trait.FIGURE);
    }

    public boolean isUsual() {
        return !traits.contains(Trait.ON_WISH);
    }

    public boolean isSortable() {
        return !traits.contains(Trait.NOT_SORTABLE);
    }
}
