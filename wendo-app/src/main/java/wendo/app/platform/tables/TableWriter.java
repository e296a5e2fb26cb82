package wendo.app.platform.tables;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes tables for spreadsheets. */
public final class TableWriter {
    private static final int WIDTH = 24;

    private TableWriter() {}

    /** Whether a spreadsheet might take this text for something to compute; a number or a phone number is none. */
    static boolean isComputed(String text) {
        return !text.isEmpty() && !text.matches("[+-]?[0-9 ().]{1,30}") && "=+-@\t\r".indexOf(text.charAt(0)) >= 0;
    }

    /** With a byte order mark, which spreadsheets need to see that it is UTF-8 (RFC 4180 line ends). */
    public static void writeCsv(List<String> columns, Iterable<List<String>> rows, OutputStream out)
            throws IOException {
        OutputStreamWriter writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        writer.write('\uFEFF');
        CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        printer.printRecord(columns.stream().map(TableWriter::harmless));
        for (List<String> row : rows) {
            printer.printRecord(row.stream().map(TableWriter::harmless));
        }
        printer.flush();
    }

    private static String harmless(String cell) {
        return isComputed(cell) ? "'" + cell : cell;
    }

    /** Cells are text: a workbook computes only what is marked as a formula. */
    public static void writeXlsx(String sheetName, List<String> columns, Iterable<List<String>> rows, OutputStream out)
            throws IOException {
        try (Workbook workbook = new Workbook(out, "Wendo", "1.0")) {
            Worksheet sheet = workbook.newWorksheet(sheetName);
            int line = 0;
            write(sheet, line++, columns);
            sheet.range(0, 0, 0, Math.max(0, columns.size() - 1)).style().bold().set();
            for (int i = 0; i < columns.size(); i++) {
                sheet.width(i, WIDTH);
            }
            sheet.freezePane(0, 1);
            for (List<String> row : rows) {
                write(sheet, line++, row);
            }
        }
    }

    /** Empty text leaves a cell empty; numbers are numbers, which a spreadsheet can go on with. */
    public static void writeNumbers(
            String sheetName, List<String> columns, Iterable<? extends List<?>> rows, OutputStream out)
            throws IOException {
        try (Workbook workbook = new Workbook(out, "Wendo", "1.0")) {
            Worksheet sheet = workbook.newWorksheet(sheetName);
            int line = 0;
            write(sheet, line++, columns);
            sheet.range(0, 0, 0, columns.size() - 1).style().bold().set();
            sheet.freezePane(1, 1);
            for (List<?> row : rows) {
                for (int i = 0; i < row.size(); i++) {
                    write(sheet, line, i, row.get(i));
                }
                line++;
            }
        }
    }

    private static void write(Worksheet sheet, int line, int column, Object cell) {
        if (cell instanceof Number number) {
            sheet.value(line, column, number);
        } else if (!cell.toString().isEmpty()) {
            sheet.value(line, column, cell.toString());
        }
    }

    private static void write(Worksheet sheet, int line, List<String> cells) {
        for (int i = 0; i < cells.size(); i++) {
            sheet.value(line, i, cells.get(i));
        }
    }
}
