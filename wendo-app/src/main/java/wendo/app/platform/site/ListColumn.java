package wendo.app.platform.site;

import java.util.Locale;

/** A column of a list. A list's columns are an enum, in the order in which they stand. */
public interface ListColumn {
    String name();

    /** The key of the text that heads it. */
    String heading();

    /** The SQL that the list is sorted by when this column is pressed; empty text if it cannot be sorted by. */
    String sql();

    /** Whether the first press on its heading brings the greatest or latest on top. */
    default boolean isGreatestFirst() {
        return false;
    }

    /** Whether it is shown until somebody chooses columns. */
    default boolean isUsual() {
        return true;
    }

    default boolean isFigure() {
        return false;
    }

    default boolean isSortable() {
        return !sql().isEmpty();
    }

    /** As it stands in addresses. */
    default String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
