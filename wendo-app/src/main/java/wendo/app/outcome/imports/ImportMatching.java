package wendo.app.outcome.imports;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.tables.Table;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/**
 * How the columns of a file are read.
 *
 * @param kind what each row is: lead, booking or purchase
 * @param partner the source whose report it is, as an identifier; empty text if it is nobody's
 */
record ImportMatching(
        Map<ImportColumn, Integer> columns, String kind, String partner, AmountStyle amounts, DayOrder days) {
    ImportMatching {
        columns = Map.copyOf(columns);
    }

    /** As headings and cells tell; what they leave open is the usual of the business's country. */
    static ImportMatching guess(Table table, Locale locale) {
        Map<ImportColumn, Integer> columns = new HashMap<>();
        for (ImportColumn column : ImportColumn.values()) {
            int at = column.guess(table.columns());
            if (at >= 0 && !columns.containsValue(at)) {
                columns.put(column, at);
            }
        }
        return new ImportMatching(
                columns,
                "booking",
                "",
                AmountStyle.detect(cells(table, columns.getOrDefault(ImportColumn.VALUE, -1)))
                        .orElse(AmountStyle.POINT),
                DayOrder.of(cells(table, columns.getOrDefault(ImportColumn.DAY, -1)), locale));
    }

    /** The first cell that goes with another way of writing, but not with this one. */
    Optional<String> contradiction(List<Table.Row> rows, int decimals) {
        return days.contradiction(
                        rows.stream().map(row -> cell(row, ImportColumn.DAY)).toList())
                .or(() -> amounts.contradiction(
                        rows.stream().map(row -> cell(row, ImportColumn.VALUE)).toList(), decimals));
    }

    static List<String> cells(Table table, int column) {
        return table.rows().stream().map(row -> row.cell(column)).toList();
    }

    public int column(ImportColumn column) {
        return columns.getOrDefault(column, -1);
    }

    String cell(Table.Row row, ImportColumn column) {
        return row.cell(column(column));
    }
}
