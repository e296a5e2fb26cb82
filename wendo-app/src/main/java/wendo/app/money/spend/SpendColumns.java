package wendo.app.money.spend;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.ListColumn;

/** The columns of what was spent in a period. */
final class SpendColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("source", "money.spend.page.source", ""),
            ListColumn.of("cost", "common.cost", ""),
            ListColumn.of("period", "money.spend.page.in-this-period", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("from", "money.spend.page.from", "", GREATEST_FIRST, ON_WISH),
            ListColumn.of("entered", "money.spend.page.entered-by", "", ON_WISH));

    private SpendColumns() {}

    /** How two are compared in a column: as the first press on its heading sorts them, or the other way round. */
    static Comparator<SpendQueries.Row> order(ListColumn column) {
        return switch (column.key()) {
            case "source" -> Comparator.comparing(row -> row.name().toLowerCase(Locale.ROOT));
            case "cost" -> Comparator.comparing(row -> row.cost().way());
            case "period" -> Comparator.comparing(SpendQueries.Row::inPeriodMinor);
            case "from" -> Comparator.comparing(row -> row.cost().firstDay());
            default -> Comparator.comparing(row -> row.enteredBy().toLowerCase(Locale.ROOT));
        };
    }
}
