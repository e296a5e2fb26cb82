package wendo.app.place.messages;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.NOT_SORTABLE;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of a message's recipients. */
final class RecipientColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("who", "common.who", ""),
            ListColumn.of("taps", "place.messages.recipients.taps", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("first", "place.messages.recipients.first", "", GREATEST_FIRST),
            ListColumn.of("last", "common.last", "", GREATEST_FIRST),
            ListColumn.of("outcomes", "common.outcomes", "", NOT_SORTABLE),
            ListColumn.of("value", "common.value", "", GREATEST_FIRST, FIGURE, ON_WISH),
            ListColumn.of("line", "common.line", "", FIGURE, ON_WISH));

    private RecipientColumns() {}

    /** How two are compared in a column: as the first press on its heading sorts them, or the other way round. */
    static Comparator<RecipientRow> order(ListColumn column) {
        return switch (column.key()) {
            case "who" -> Comparator.comparing(one -> one.who().toLowerCase(Locale.ROOT));
            case "taps" -> Comparator.comparing(RecipientRow::taps);
            case "first" -> Comparator.comparing(one -> one.first().orElse(Instant.EPOCH));
            case "value" -> Comparator.comparing(RecipientRow::valueMinor);
            case "line" -> Comparator.comparing(one -> one.person().line());
            default -> Comparator.comparing(one -> one.last().orElse(Instant.EPOCH));
        };
    }
}
