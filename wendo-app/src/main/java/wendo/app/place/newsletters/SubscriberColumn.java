package wendo.app.place.newsletters;

import wendo.app.platform.site.ListColumn;

/** The columns of the list of subscribers. */
enum SubscriberColumn implements ListColumn {
    EMAIL("common.e-mail", "lower(u.email)"),
    SUBSCRIBED("place.newsletters.list.subscribed", "u.subscribed_at"),
    SOURCE("place.newsletters.list.source", "lower(s.name)"),
    LINK("common.link", "lower(l.name)"),
    AGREED("place.newsletters.list.agreed-to", ""),
    CAMPAIGN("common.campaign", "lower(c.name)"),
    PAGE("common.page", "lower(nullif(r.page, ''))");

    private final String heading;
    private final String sql;

    SubscriberColumn(String heading, String sql) {
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
        return this == SUBSCRIBED;
    }

    @Override
    public boolean isUsual() {
        return ordinal() <= AGREED.ordinal();
    }
}
