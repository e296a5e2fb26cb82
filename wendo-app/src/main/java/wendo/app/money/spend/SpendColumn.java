package wendo.app.money.spend;

import java.util.Comparator;
import java.util.Locale;
import wendo.app.platform.site.ListColumn;

/** The columns of what was spent in a period, which is in memory. */
enum SpendColumn implements ListColumn {
    SOURCE("money.spend.page.source"),
    COST("common.cost"),
    PERIOD("money.spend.page.in-this-period"),
    FROM("money.spend.page.from"),
    ENTERED("money.spend.page.entered-by");

    private final String heading;

    SpendColumn(String heading) {
        this.heading = heading;
    }

    /** How two are compared in this column: as the first press on its heading sorts them, or the other way round. */
    Comparator<SpendQueries.Row> order() {
        return switch (this) {
            case SOURCE -> Comparator.comparing(row -> row.name().toLowerCase(Locale.ROOT));
            case COST -> Comparator.comparing(row -> row.cost().way());
            case PERIOD -> Comparator.comparing(SpendQueries.Row::inPeriodMinor);
            case FROM -> Comparator.comparing(row -> row.cost().firstDay());
            case ENTERED -> Comparator.comparing(row -> row.enteredBy().toLowerCase(Locale.ROOT));
        };
    }

    @Override
    public String heading() {
        return heading;
    }

    @Override
    public String sql() {
        return "";
    }

    @Override
    public boolean isSortable() {
        return true;
    }

    @Override
    public boolean isGreatestFirst() {
        return this == PERIOD || this == FROM;
    }

    @Override
    public boolean isFigure() {
        return this == PERIOD;
    }

    @Override
    public boolean isUsual() {
        return ordinal() <= PERIOD.ordinal();
    }
}
