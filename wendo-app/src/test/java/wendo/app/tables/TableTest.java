package wendo.app.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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
                text.getBytes(Charset.forName("windows-1252")))) {
            Table table = TableReader.read(file);
            assertThat(table.columns()).containsExactly("Source", "Note");
            assertThat(cells(table)).containsExactly(List.of("Café", "ü"));
        }
    }

    @Test
    void what_is_no_table_is_refused_with_a_reason() throws IOException {
        assertThatThrownBy(() -> TableReader.read(new byte[0])).hasMessage("The file is empty.");
        assertThatThrownBy(() -> TableReader.readText("Source,Note\n")).hasMessage("It has a heading and no rows.");
        assertThatThrownBy(() -> TableReader.readText(" \n")).hasMessage("There is nothing in it.");
        assertThatThrownBy(() -> TableReader.readText("a,b\n1,2\n\"open,3\n"))
                .hasMessageStartingWith("Line 3 cannot be read");
        assertThatThrownBy(() -> TableReader.readText("a\n" + "x\n".repeat(10_001)))
                .hasMessageContaining("10000 rows");
        assertThat(TableReader.readText("a\n" + "x\n".repeat(10_000)).rows()).hasSize(10_000);
        assertThatThrownBy(() -> TableReader.readText("a,b\nx," + "y".repeat(5_001) + "\n"))
                .hasMessage("Line 2 has a cell of 5001 characters; 5000 are read.");
        assertThatThrownBy(() -> TableReader.readText(String.join(",", Collections.nCopies(61, "c")) + "\n1"))
                .hasMessageContaining("61 columns");
        assertThatThrownBy(() -> TableReader.read(new byte[] {'P', 'K', 3, 4, 5, 6}))
                .hasMessageContaining("not a workbook that can be read");
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
