package wendo.app.issue.batches;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wendo.app.issue.links.IssueContext;
import wendo.app.issue.links.LinkTerms;
import wendo.app.issue.links.LinkWish;
import wendo.app.platform.tables.Table;

/** Reads rows as wishes for links. */
record RowWishes(Matching matching) {
    private static final List<String> YES = List.of("yes", "y", "true", "1", "x", "paid");

    IssueContext.Choice choice() {
        return new IssueContext.Choice(matching.host(), matching.plan(), matching.pattern());
    }

    /** The link that a row says it is already. */
    Optional<String> link(Table.Row row) {
        return Optional.of(text(row, BatchColumn.LINK)).filter(link -> !link.isEmpty());
    }

    LinkWish wish(Table.Row row) {
        return wish(row, text(row, BatchColumn.ENDING));
    }

    /** With the ending that the check showed, so that the link is made as it was shown. */
    LinkWish wish(Table.Row row, String ending) {
        return new LinkWish(
                text(row, BatchColumn.DESTINATION),
                text(row, BatchColumn.SOURCE),
                text(row, BatchColumn.CHANNEL),
                text(row, BatchColumn.CAMPAIGN),
                ending,
                text(row, BatchColumn.NAME),
                fields(row),
                new LinkTerms(
                        text(row, BatchColumn.NOTE),
                        text(row, BatchColumn.OWNER),
                        text(row, BatchColumn.LABELS),
                        text(row, BatchColumn.FIRST_DAY),
                        text(row, BatchColumn.LAST_DAY),
                        text(row, BatchColumn.OUTSIDE),
                        YES.contains(text(row, BatchColumn.PAID).toLowerCase(Locale.ROOT)),
                        text(row, BatchColumn.DISCLOSURE),
                        text(row, BatchColumn.BRAND)));
    }

    private Map<String, String> fields(Table.Row row) {
        Map<String, String> fields = new HashMap<>();
        matching.columns().forEach((key, column) -> {
            if (key.startsWith(Matching.FIELD)) {
                fields.put(key.substring(Matching.FIELD.length()), row.cell(column));
            }
        });
        matching.usual().forEach((key, value) -> {
            if (key.startsWith(Matching.FIELD)) {
                fields.merge(
                        key.substring(Matching.FIELD.length()), value, (own, usual) -> own.isEmpty() ? usual : own);
            }
        });
        return fields;
    }

    private String text(Table.Row row, BatchColumn column) {
        String own = row.cell(matching.column(column.key())).strip();
        return own.isEmpty() ? matching.usual(column.key()) : own;
    }
}
