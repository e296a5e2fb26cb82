package wendo.app.platform.tables;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import wendo.app.platform.site.Texts;

/** Reads tables as people have them: any usual encoding and separator, or the first sheet of a workbook. */
public final class TableReader {
    private static final int HALF_A_SECOND = 500_000_000;
    private static final long MAX_UNPACKED = 200L * 1024 * 1024;

    /** Without their formats days are plain numbers; a cell that holds an error is empty. */
    private static final ReadingOptions WITH_FORMATS = new ReadingOptions(true, true);

    /** What some spreadsheets write in front of a table: the separator that follows. */
    private static final Pattern SEPARATOR_LINE = Pattern.compile("\\A(?i)\"?sep=([^\\r\\n\"])\"?(?:\\r\\n|\\r|\\n)");

    private TableReader() {}

    /** Throws {@link TableRefused} with a reason. */
    public static Table read(byte[] file) {
        if (file.length == 0) {
            throw new TableRefused(Texts.of("platform.tables.the-file-is-empty"));
        }
        boolean isWorkbook = file.length > 4 && file[0] == 'P' && file[1] == 'K';
        return isWorkbook ? readWorkbook(file) : readText(TableText.decode(file));
    }

    /** How a file is written, in words. */
    public static String written(byte[] file) {
        return file.length > 4 && file[0] == 'P' && file[1] == 'K' ? "a workbook" : TableText.words(file);
    }

    public static Table readText(String text) {
        return table(readRows(text));
    }

    /** All its lines, whether the first is a heading or not. */
    public static List<Table.Row> readRows(String text) {
        Matcher named = SEPARATOR_LINE.matcher(text);
        boolean isNamed = named.lookingAt();
        char separator = isNamed ? named.group(1).charAt(0) : TableText.separator(text);
        String content = isNamed ? text.substring(named.end()) : text;
        int skipped = isNamed ? 1 : 0;
        CSVFormat format = CSVFormat.Builder.create()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(false)
                .setIgnoreSurroundingSpaces(true)
                .get();
        List<Table.Row> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(content), format)) {
            long line = 1L + skipped;
            for (CSVRecord row : parser) {
                add(rows, (int) line, row.toList());
                line = parser.getCurrentLineNumber() + 1 + skipped;
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            int line = rows.isEmpty() ? 1 + skipped : rows.get(rows.size() - 1).line() + 1;
            String why = String.valueOf(e.getMessage()).contains("between encapsulated token")
                    ? Texts.of("platform.tables.text-stands-right-behind-a")
                    : Texts.of("platform.tables.a-quotation-mark-is-not");
            throw new TableRefused(Texts.of("platform.tables.line-cannot-be-read", line, why), e);
        }
        return rows;
    }

    private static Table readWorkbook(byte[] file) {
        List<Table.Row> rows = new ArrayList<>();
        try {
            refuseBombs(file);
            try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(file), WITH_FORMATS);
                    Stream<Row> all = workbook.getFirstSheet().openStream()) {
                all.forEach(row -> add(rows, row.getRowNum(), cells(row)));
            }
        } catch (TableRefused e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            throw new TableRefused(Texts.of("platform.tables.this-is-not-a-readable"), e);
        }
        return table(rows);
    }

    /** A small file can unpack to more than any memory holds. */
    private static void refuseBombs(byte[] file) throws IOException {
        long unpacked = 0;
        byte[] buffer = new byte[64 * 1024];
        try (ZipFile zip = ZipFile.builder().setByteArray(file).get()) {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
                try (InputStream content = zip.getInputStream(entry)) {
                    unpacked += size(content, buffer, MAX_UNPACKED - unpacked);
                }
                if (unpacked > MAX_UNPACKED) {
                    throw new TableRefused(Texts.of("platform.tables.the-workbook-is-too-large"));
                }
            }
        }
    }

    private static long size(InputStream entry, byte[] buffer, long most) throws IOException {
        long size = 0;
        for (int read = entry.read(buffer); read >= 0 && size <= most; read = entry.read(buffer)) {
            size += read;
        }
        return size;
    }

    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>();
        for (int i = 0; i < Math.min(row.getCellCount(), Table.MAX_COLUMNS + 1); i++) {
            cells.add(row.getOptionalCell(i).map(TableReader::text).orElse(""));
        }
        return cells;
    }

    private static String text(Cell cell) {
        if (cell.getType() == CellType.FORMULA
                && (cell.getRawValue() == null || cell.getRawValue().isEmpty())) {
            throw new TableRefused(Texts.of("platform.tables.cell-holds-a-formula-whose", cell.getAddress()));
        }
        if (cell.getType() == CellType.NUMBER) {
            String format = Optional.ofNullable(cell.getDataFormatString()).orElse("");
            return format.matches("(?i).*[dy].*")
                    ? moment(cell, format)
                    : cell.asNumber().stripTrailingZeros().toPlainString();
        }
        return cell.getText();
    }

    /** A day, with its time where the format shows one or the number has one; to the second, as the numbers are exact to. */
    private static String moment(Cell cell, String format) {
        LocalDateTime at = cell.asDate().plusNanos(HALF_A_SECOND).truncatedTo(ChronoUnit.SECONDS);
        boolean hasTime = format.matches("(?i).*h.*") || !at.toLocalTime().equals(LocalTime.MIDNIGHT);
        return hasTime
                ? DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm:ss", Locale.ROOT)
                        .format(at)
                : at.toLocalDate().toString();
    }

    private static void add(List<Table.Row> rows, int line, List<String> cells) {
        List<String> clean = cells.stream().map(TableReader::clean).toList();
        if (clean.stream().allMatch(String::isEmpty)) {
            return;
        }
        if (clean.size() > Table.MAX_COLUMNS) {
            throw new TableRefused(
                    Texts.of("platform.tables.line-has-columns-a-table", line, clean.size(), Table.MAX_COLUMNS));
        }
        if (rows.size() > Table.MAX_ROWS) {
            throw new TableRefused(Texts.of("platform.tables.a-table-may-have-rows", Table.MAX_ROWS));
        }
        clean.stream()
                .filter(cell -> cell.length() > Table.MAX_CELL)
                .findFirst()
                .ifPresent(cell -> {
                    throw new TableRefused(
                            Texts.of("platform.tables.line-has-a-cell-of", line, cell.length(), Table.MAX_CELL));
                });
        rows.add(new Table.Row(line, clean));
    }

    /** What {@link TableWriter} put in front of a cell so that no spreadsheet computes it is taken off again. */
    private static String clean(String cell) {
        String text = cell.replace('\u0000', ' ').strip();
        return text.length() > 1 && text.charAt(0) == '\'' && TableWriter.isComputed(text.substring(1))
                ? text.substring(1)
                : text;
    }

    private static Table table(List<Table.Row> rows) {
        if (rows.isEmpty()) {
            throw new TableRefused(Texts.of("platform.tables.there-is-nothing-in-it"));
        }
        if (rows.size() == 1) {
            throw new TableRefused(Texts.of("platform.tables.it-has-a-heading-and"));
        }
        return new Table(rows.get(0).cells(), rows.subList(1, rows.size()));
    }
}
