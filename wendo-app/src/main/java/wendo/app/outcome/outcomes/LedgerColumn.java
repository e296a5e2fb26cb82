package wendo.app.outcome.outcomes;

import wendo.app.platform.site.ListColumn;

/** The columns of the ledger. */
enum LedgerColumn implements ListColumn {
    WHEN("common.when", "o.occurred_at"),
    WHAT("common.what", "o.kind"),
    REFERENCE("common.reference", "lower(o.reference)"),
    VALUE("common.value", "o.kept_minor"),
    SOURCE("outcome.outcomes.ledger.source", "lower(s.name)"),
    EVIDENCE("common.evidence", ""),
    STATUS("common.status", "o.status"),
    LINK("common.link", "lower(l.name)"),
    ITEMS("outcome.outcomes.items", "lower(nullif(o.items, ''))"),
    REPORTED("outcome.outcomes.reported-by", "o.reported_by");

    private final String heading;
    private final String sql;

    LedgerColumn(String heading, String sql) {
        this.heading = heading;
        this.sql = sql;
    }

    @Override
    public String heading() {
        return heading;
    }

    @Override
    public String sql() {
        return sql;
    }

    @Override
    public boolean isGreatestFirst() {
        return this == WHEN || this == VALUE;
    }

    @Override
    public boolean isFigure() {
        return this == VALUE;
    }

    @Override
    public boolean isUsual() {
        return ordinal() <= EVIDENCE.ordinal();
    }
}
