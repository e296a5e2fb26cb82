package wendo.app.money.partners;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of partners. */
final class PartnerColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("partner", "money.partners.partner", ""),
            ListColumn.of("terms", "money.partners.terms", ""),
            ListColumn.of("outcomes", "money.partners.outcomes", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("earned", "money.partners.earned", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("held", "money.partners.held", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("due", "money.partners.due", "", GREATEST_FIRST, FIGURE),
            ListColumn.of("paid", "money.partners.paid", "", GREATEST_FIRST, FIGURE, ON_WISH));

    private PartnerColumns() {}

    /** How two are compared in a column: as the first press on its heading sorts them, or the other way round. */
    static Comparator<PartnerController.Listed> order(ListColumn column) {
        return switch (column.key()) {
            case "terms" -> Comparator.comparing(one -> one.terms().toLowerCase(Locale.ROOT));
            case "outcomes" -> Comparator.comparing(one -> one.row().outcomes());
            case "earned" -> Comparator.comparing(one -> one.row().earnedMinor());
            case "held" -> Comparator.comparing(one -> one.row().heldMinor());
            case "due" -> Comparator.comparing(one -> one.row().dueMinor());
            case "paid" -> Comparator.comparing(one -> one.row().paidMinor());
            default -> Comparator.comparing(one -> one.row().name().toLowerCase(Locale.ROOT));
        };
    }
}
