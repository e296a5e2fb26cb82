package wendo.app.platform.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TableTest {
    private static final List<String> COLUMNS = List.of("Source", "Note");
    private static final List<List<String>> ROWS =
            List.of(List.of("Café Łódź", "a, \"b\"; c"), List.of("=1+1", "-2"), List.of("two\nlines", "'quoted"));

    private static List<List<String>> cells(Table table) {
        return table.rows().stream().map(Table.Row::cells).toList();
    }

    @Test
    void what_is_written_is_read_again_and_nothing_in_it_is_computed() throws IOException {
        ByteArrayOutputStream csv = new ByteArrayOutputStream();
        TableWriter.writeCsv(COLUMNS, ROWS, csv);
        assertThat(csv.toString(StandardCharsets.UTF_8)).contains("'=1+1,-2");
        assertThat(cells(TableReader.read(csv.toByteArray()))).isEqualTo(ROWS);
        ByteArrayOutputStream workbook = new ByteArrayOutputStream();
        TableWriter.writeXlsx("Links", COLUMNS, ROWS, workbook);
        Table read = TableReader.read(workbook.toByteArray());
        assertThat(read.columns()).isEqualTo(COLUMNS);
        assertThat(cells(read)).isEqualTo(ROWS);
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t", "|"})
    void any_usual_separator_is_seen(String separator) {
        String text = "Source@Address\r\nCafé@a.example/?x=1,2\r\n\r\nBay@b.example\n".replace("@", separator);
        Table table = TableReader.readText(separator.equals(",") ? text.replace("1,2", "12") : text);
        assertThat(table.columns()).containsExactly("Source", "Address");
        assertThat(table.rows()).hasSize(2);
        assertThat(table.rows().get(1)).isEqualTo(new Table.Row(4, List.of("Bay", "b.example")));
        assertThat(table.rows().get(1).cell(5)).isEmpty();
    }

    @Test
    void any_usual_encoding_is_seen() {
        String text = "Source,Note\nCafé,ü\n";
        for (byte[] file : List.of(
                text.getBytes(StandardCharsets.UTF_8),
                ("\uFEFF" + text).getBytes(StandardCharsets.UTF_8),
                ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16LE),
                ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16BE),
                text.getBytes(StandardCharsets.UTF_16LE),
                text.getBytes(StandardCharsets.UTF_16BE),
                text.getBytes(Charset.forName("windows-1252")))) {
            Table table = TableReader.read(file);
            assertThat(table.columns()).containsExactly("Source", "Note");
            assertThat(cells(table)).containsExactly(List.of("Café", "ü"));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"sep=;\r\n", "SEP=;\n", "\"sep=;\"\r\n"})
    void a_line_that_names_the_separator_is_no_heading(String line) {
        Table table = TableReader.readText(line + "Source;Note\nBay;1,2\n");
        assertThat(table.columns()).containsExactly("Source", "Note");
        assertThat(table.rows()).containsExactly(new Table.Row(3, List.of("Bay", "1,2")));
    }

    /** The other library is Apache POI, which leaves a formula's result empty until it is evaluated. */
    @Test
    void a_workbooks_times_are_kept_and_a_formula_without_its_result_is_refused() throws IOException {
        assertThat(cells(TableReader.read(workbook(false))))
                .containsExactly(List.of("2026-05-03T16:24:07", "2026-05-03", "2026-05-03T00:00:00", "12.5"));
        assertThatThrownBy(() -> TableReader.read(workbook(true)))
                .hasMessage("Cell D2 holds a formula whose result was not saved. Open the file in a spreadsheet, "
                        + "save it, and upload it again.");
    }

    private static byte[] workbook(boolean withFormula) throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            Sheet sheet = workbook.createSheet("Bookings");
            Row heading = sheet.createRow(0);
            Row row = sheet.createRow(1);
            List<String> formats = List.of("dd/mm/yyyy hh:mm", "d mmm yyyy", "yyyy-mm-dd hh:mm");
            List<LocalDateTime> times = List.of(
                    LocalDateTime.of(2026, 5, 3, 16, 24, 7),
                    LocalDateTime.of(2026, 5, 3, 0, 0),
                    LocalDateTime.of(2026, 5, 3, 0, 0));
            for (int i = 0; i < times.size(); i++) {
                heading.createCell(i).setCellValue("Column " + i);
                CellStyle style = workbook.createCellStyle();
                style.setDataFormat(workbook.createDataFormat().getFormat(formats.get(i)));
                row.createCell(i).setCellValue(times.get(i));
                row.getCell(i).setCellStyle(style);
            }
            heading.createCell(3).setCellValue("Total");
            row.createCell(3).setCellFormula("5*2.5");
            if (!withFormula) {
                workbook.getCreationHelper().createFormulaEvaluator().evaluateFormulaCell(row.getCell(3));
            }
            workbook.write(file);
        }
        return file.toByteArray();
    }

    @Test
    void what_is_no_table_is_refused_with_a_reason() throws IOException {
        assertThatThrownBy(() -> TableReader.read(new byte[0])).hasMessage("The file is empty.");
        assertThatThrownBy(() -> TableReader.readText("Source,Note\n")).hasMessage("It has a heading and no rows.");
        assertThatThrownBy(() -> TableReader.readText(" \n")).hasMessage("There is nothing in it.");
        assertThatThrownBy(() -> TableReader.readText("a,b\n1,2\n\"open,3\n"))
                .hasMessage("Line 3 cannot be read: a quotation mark is not closed.");
        assertThatThrownBy(() -> TableReader.readText("a,b\n1,2\n\"x\"y,3\n"))
                .hasMessage("Line 3 cannot be read: text stands right behind a closing quotation mark. "
                        + "Write a quotation mark within a cell twice.");
        assertThatThrownBy(() -> TableReader.readText("a\n" + "x\n".repeat(10_001)))
                .hasMessageContaining("10,000 rows");
        assertThat(TableReader.readText("a\n" + "x\n".repeat(10_000)).rows()).hasSize(10_000);
        assertThatThrownBy(() -> TableReader.readText("a,b\nx," + "y".repeat(5_001) + "\n"))
                .hasMessage("Line 2 has a cell of 5,001 characters; 5,000 are read.");
        assertThatThrownBy(() -> TableReader.readText(String.join(",", Collections.nCopies(61, "c")) + "\n1"))
                .hasMessageContaining("61 columns");
        assertThatThrownBy(() -> TableReader.read(new byte[] {'P', 'K', 3, 4, 5, 6}))
                .hasMessageContaining("not a readable workbook");
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bomb)) {
            zip.putNextEntry(new ZipEntry("xl/worksheets/sheet1.xml"));
            byte[] nothing = new byte[1024 * 1024];
            for (int i = 0; i < 201; i++) {
                zip.write(nothing);
            }
        }
        assertThatThrownBy(() -> TableReader.read(bomb.toByteArray())).hasMessageContaining("too large");
    }
}
