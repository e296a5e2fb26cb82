package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a comparison is sorted by, as it stands in its address: a column, with a hyphen before it for the other way round. */
public record CompareOrder(Column column, boolean isReversed) {
    /** By verdict, earning sources first, then by cost. */
    public static final CompareOrder USUAL = new CompareOrder(Column.VERDICT, false);

    /** The columns of the table. Names and verdicts begin with the first, figures with the greatest, costs with the least. */
    public enum Column {
        NAME,
        VISITS,
        PEOPLE,
        LEAD,
        BOOKING,
        PURCHASE,
        SUBSCRIPTION,
        REVENUE,
        SPEND,
        RATE,
        COST,
        VERDICT;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether its first order goes from the least to the greatest. */
        public boolean isAscending() {
            return this == NAME || this == COST || this == VERDICT;
        }
    }

    public static Optional<CompareOrder> find(String key) {
        boolean isReversed = key.startsWith("-");
        String name = isReversed ? key.substring(1) : key;
        return Arrays.stream(Column.values())
                .filter(column -> column.key().equals(name))
                .findFirst()
                .map(column -> new CompareOrder(column, isReversed));
    }

    public String key() {
        return (isReversed ? "-" : "") + column.key();
    }

    /** What a press on the heading of a column leads to. */
    public CompareOrder pressed(Column heading) {
        return new CompareOrder(heading, heading == column && !isReversed);
    }

    /** As {@code aria-sort} says it, of a column by its name. */
    public String direction(String columnName) {
        Column heading = Column.valueOf(columnName);
        return heading != column ? "none" : heading.isAscending() == isReversed ? "descending" : "ascending";
    }
}
