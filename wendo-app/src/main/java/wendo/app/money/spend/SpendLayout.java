package wendo.app.money.spend;

import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.Digest;
import wendo.app.platform.tables.Table;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/** Which columns of a file say what, and how they are written; −1 for none. */
record SpendLayout(int day, int amount, int name, DayOrder days, AmountStyle amounts) {

    /** By what such columns are called, and by what stands in them. */
    static SpendLayout guess(Table table, Locale locale) {
        return with(
                table,
                new Columns(
                        among(table.columns(), "(day|date|.*reporting starts.*)"),
                        among(table.columns(), "(cost|spend|spent|amount.*|.*\\bspen[dt]\\b.*|.*\\bcost\\b.*)"),
                        among(table.columns(), "(campaign.*|ad set.*|source.*|name)")),
                locale);
    }

    /** Which column says what, from 0; -1 for none. */
    record Columns(int day, int amount, int name) {}

    /** These columns, written as their cells tell. */
    static SpendLayout with(Table table, Columns columns, Locale locale) {
        return new SpendLayout(
                columns.day(),
                columns.amount(),
                columns.name(),
                DayOrder.of(cells(table, columns.day()), locale),
                AmountStyle.detect(cells(table, columns.amount())).orElse(AmountStyle.POINT));
    }

    /** What the cells of this file tell goes before what is remembered of files with its heading. */
    SpendLayout heldAgainst(Table table) {
        return new SpendLayout(
                day,
                amount,
                name,
                DayOrder.detect(cells(table, day)).orElse(days),
                AmountStyle.detect(cells(table, amount)).orElse(amounts));
    }

    SpendLayout written(DayOrder otherDays, AmountStyle otherAmounts) {
        return new SpendLayout(day, amount, name, otherDays, otherAmounts);
    }

    private static List<String> cells(Table table, int column) {
        return table.rows().stream().map(row -> row.cell(column)).toList();
    }

    private static int among(List<String> columns, String pattern) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).strip().toLowerCase(Locale.ROOT).matches(pattern)) {
                return i;
            }
        }
        return -1;
    }

    /** Tells files with this heading from all others. */
    static String heading(List<String> columns) {
        return Digest.half(String.join("\t", columns).toLowerCase(Locale.ROOT));
    }
}
