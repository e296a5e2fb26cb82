package wendo.app.lead.leads;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;
import static wendo.app.platform.site.ListColumn.Trait.ON_WISH;

import java.util.List;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of leads. */
final class LeadColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of(
                    "lead",
                    "common.lead",
                    "lower(coalesce(nullif(o.name, ''), nullif(o.email, ''), nullif(o.phone, ''), o.reference))"),
            ListColumn.of("arrived", "lead.leads.list.arrived", "l.arrived_at", GREATEST_FIRST),
            ListColumn.of("source", "lead.leads.list.source", "lower(s.name)"),
            ListColumn.of("stage", "common.stage", "array_position(array['new', 'quoted', 'won', 'lost'], l.stage)"),
            ListColumn.of("owner", "lead.leads.list.owner-2", "lower(p.name)"),
            ListColumn.of("next", "lead.leads.list.next-task", "next_task"),
            ListColumn.of(
                    "quoted", "lead.leads.list.quoted", "nullif(l.quoted_minor, 0)", GREATEST_FIRST, FIGURE, ON_WISH),
            ListColumn.of("email", "common.e-mail", "lower(nullif(o.email, ''))", ON_WISH),
            ListColumn.of("phone", "common.phone", "nullif(o.phone, '')", ON_WISH),
            ListColumn.of("labels", "common.labels", "lower(nullif(array_to_string(l.labels, ' '), ''))", ON_WISH));

    private LeadColumns() {}
}
