package wendo.app.lead.leads;

import wendo.app.platform.site.ListColumn;

/** The columns of the list of leads. */
enum LeadColumn implements ListColumn {
    LEAD("common.lead", "lower(coalesce(nullif(o.name, ''), nullif(o.email, ''), nullif(o.phone, ''), o.reference))"),
    ARRIVED("lead.leads.list.arrived", "l.arrived_at"),
    SOURCE("lead.leads.list.source", "lower(s.name)"),
    STAGE("common.stage", "array_position(array['new', 'quoted', 'won', 'lost'], l.stage)"),
    OWNER("lead.leads.list.owner-2", "lower(p.name)"),
    NEXT("lead.leads.list.next-task", "next_task"),
    QUOTED("lead.leads.list.quoted", "nullif(l.quoted_minor, 0)"),
    EMAIL("common.e-mail", "lower(nullif(o.email, ''))"),
    PHONE("common.phone", "nullif(o.phone, '')"),
    LABELS("common.labels", "lower(nullif(array_to_string(l.labels, ' '), ''))");

    private final String heading;
    private final String sql;

    LeadColumn(String heading, String sql) {
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
        return this == ARRIVED || this == QUOTED;
    }

    @Override
    public boolean isFigure() {
        return this == QUOTED;
    }

    @Override
    public boolean isUsual() {
        return ordinal() <= NEXT.ordinal();
    }
}
