package wendo.app.platform.tables;

import java.util.List;

/** A table with a heading row. */
public record Table(List<String> columns, List<Row> rows) {
    public static final int MAX_ROWS = 10_000;
    public static final int MAX_COLUMNS = 60;
    public static final int MAX_CELL = 5_000;

    /** One row; {@code line} is its line in the file as a person counts them, the heading being line 1. */
    public record Row(int line, List<String> cells) {
        public Row {
            cells = List.copyOf(cells);
        }

        /** Empty text where the row ends before this column. */
        public String cell(int column) {
            return column >= 0 && column < cells.size() ? cells.get(column) : "";
        }
    }

    public Table {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }
}
