package wendo.app.outcome.outcomes;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.NOT_SORTABLE;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.List;
import wendo.app.platform.site.ListColumn;

/** The columns of the ledger. */
final class LedgerColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("when", "common.when", "o.occurred_at", GREATEST_FIRST),
            ListColumn.of("what", "common.what", "o.kind"),
            ListColumn.of("reference", "common.reference", "lower(o.reference)"),
            ListColumn.of("value", "common.value", "o.kept_minor", GREATEST_FIRST, FIGURE),
            ListColumn.of("source", "outcome.outcomes.ledger.source", "lower(s.name)"),
            ListColumn.of("evidence", "common.evidence", "", NOT_SORTABLE),
            ListColumn.of("status", "common.status", "o.status", ON_WISH),
            ListColumn.of("link", "common.link", "lower(l.name)", ON_WISH),
            ListColumn.of("items", "outcome.outcomes.items", "lower(nullif(o.items, ''))", ON_WISH),
            ListColumn.of("reported", "outcome.outcomes.reported-by", "o.reported_by", ON_WISH));

    private LedgerColumns() {}
}
