package wendo.app.place.subscribers;

import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.NOT_SORTABLE;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.List;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of subscribers. */
final class SubscriberColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("email", "common.e-mail", "lower(u.email)"),
            ListColumn.of("subscribed", "place.subscribers.list.subscribed", "u.subscribed_at", GREATEST_FIRST),
            ListColumn.of("source", "place.subscribers.list.source", "lower(s.name)"),
            ListColumn.of("link", "common.link", "lower(l.name)"),
            ListColumn.of("lists", "place.subscribers.lists", "", NOT_SORTABLE),
            ListColumn.of("labels", "common.labels", "", NOT_SORTABLE, ON_WISH),
            ListColumn.of("agreed", "place.subscribers.list.agreed-to", "", NOT_SORTABLE),
            ListColumn.of("campaign", "common.campaign", "lower(c.name)", ON_WISH),
            ListColumn.of("page", "common.page", "lower(nullif(r.page, ''))", ON_WISH));

    private SubscriberColumns() {}
}
