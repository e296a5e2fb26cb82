package wendo.app.imports;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wendo.app.tables.Table;
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
    static ImportMatching guess(Table table, boolean isMonthFirst) {
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
                DayOrder.detect(cells(table, columns.getOrDefault(ImportColumn.DAY, -1)))
                        .orElse(isMonthFirst ? DayOrder.MONTH_FIRST : DayOrder.DAY_FIRST));
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
