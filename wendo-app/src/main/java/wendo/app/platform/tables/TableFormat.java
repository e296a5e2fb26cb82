package wendo.app.platform.tables;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.StreamSupport;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;

/** The kinds of file that a table is taken along as. */
public enum TableFormat {
    CSV("text/csv;charset=UTF-8"),
    XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

    private final String mediaType;

    TableFormat(String mediaType) {
        this.mediaType = mediaType;
    }

    /** By the ending of a file's name. */
    public static Optional<TableFormat> find(String ending) {
        return Arrays.stream(values())
                .filter(one -> one.ending().equals(ending))
                .findFirst();
    }

    public String ending() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Answers with the table as a file. Numbers stay numbers where the kind of file knows them. */
    public void send(HttpServletResponse response, NamedTable table) throws IOException {
        response.setContentType(mediaType);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(table.name() + "." + ending())
                        .build()
                        .toString());
        switch (this) {
            case CSV ->
                TableWriter.writeCsv(
                        table.columns(),
                        () -> StreamSupport.stream(table.rows().spliterator(), false)
                                .map(row -> row.stream().map(String::valueOf).toList())
                                .iterator(),
                        response.getOutputStream());
            case XLSX ->
                TableWriter.writeNumbers(table.sheet(), table.columns(), table.rows(), response.getOutputStream());
        }
    }
}
