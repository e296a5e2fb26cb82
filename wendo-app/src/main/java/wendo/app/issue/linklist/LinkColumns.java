package wendo.app.issue.linklist;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.List;
import java.util.Set;
import wendo.app.platform.site.ListColumn;

/** What the list of links is sorted by, and what stands on each stub. */
final class LinkColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("name", "common.name", "lower(f.name)"),
            ListColumn.of("people", "common.people", "people", GREATEST_FIRST, FIGURE),
            ListColumn.of("visits", "common.visits", "visits", GREATEST_FIRST, FIGURE),
            ListColumn.of("apart", "issue.linklist.not-counted", "not_counted", GREATEST_FIRST, FIGURE),
            ListColumn.of("issued", "issue.linklist.list.issued", "f.created_at", GREATEST_FIRST, ON_WISH),
            ListColumn.of("health", "common.health", "f.is_failing", GREATEST_FIRST, ON_WISH));

    private static final Set<String> COUNTED = Set.of("people", "visits", "apart");

    private LinkColumns() {}

    /** Whether the order depends on visits. */
    static boolean isCounted(ListColumn column) {
        return COUNTED.contains(column.key());
    }
}
