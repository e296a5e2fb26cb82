package wendo.app.issue.batches;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;

/** What goes out again: an empty table to fill in, and a batch with what became of its rows. */
final class BatchFiles {
    private BatchFiles() {}

    /** The headings that are matched by themselves, with those of the tag plan's typed fields. */
    static List<String> template(List<String> parameters) {
        return Stream.concat(
                        Arrays.stream(BatchColumn.values())
                                .filter(column -> column != BatchColumn.LINK)
                                .map(BatchColumn::heading),
                        parameters.stream())
                .toList();
    }

    /** The same columns, and behind them what is new; a column of that name is filled in where it stands. */
    static List<String> columns(Batch batch) {
        List<String> columns = new ArrayList<>(batch.columns());
        Stream.of(link(), leadsTo(), whatHappened())
                .filter(name -> !columns.contains(name))
                .forEach(columns::add);
        return columns;
    }

    static List<List<String>> rows(Batch batch, List<BatchQueries.Row> rows) {
        List<String> columns = columns(batch);
        return rows.stream().map(row -> row(columns, row)).toList();
    }

    private static List<String> row(List<String> columns, BatchQueries.Row row) {
        Table.Row cells = new Table.Row(row.line(), row.cells());
        List<String> out = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            out.add(cells.cell(i));
        }
        boolean isLink = row.isIssued() || row.verdict().equals("known");
        out.set(columns.indexOf(link()), isLink ? row.url() : "");
        out.set(columns.indexOf(leadsTo()), row.isIssued() ? row.taggedAddress() : "");
        out.set(columns.indexOf(whatHappened()), happened(row));
        return out;
    }

    private static String happened(BatchQueries.Row row) {
        if (row.isIssued()) {
            return Texts.of("issue.batches.issued");
        }
        return row.verdict().equals("known")
                ? Texts.of("issue.batches.was-a-link-already")
                : String.join(" ", row.faults());
    }

    private static String link() {
        return BatchColumn.LINK.heading();
    }

    private static String leadsTo() {
        return Texts.of("issue.batches.leads-to");
    }

    private static String whatHappened() {
        return Texts.of("issue.batches.what-happened");
    }
}
