package wendo.app.prepare.campaigns;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of the campaigns' screens. */
@Component
class CampaignQueries {
    private final JdbcClient jdbc;

    record Row(
            UUID id,
            String name,
            String tag,
            Optional<LocalDate> first,
            Optional<LocalDate> last,
            Optional<Long> budgetMinor,
            String note,
            boolean isArchived,
            long links,
            long sources) {}

    CampaignQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Those in use first, newest first. */
    @Transactional(readOnly = true)
    List<Row> list() {
        return jdbc.sql("""
                        select c.id, c.name, c.tag, c.starts_on, c.ends_on, c.budget_minor, c.note,
                            c.archived_at is not null as archived, coalesce(l.links, 0), coalesce(l.sources, 0)
                        from campaign c
                        left join (select campaign_id, count(*) as links, count(distinct source_id) as sources
                            from link group by campaign_id) l on l.campaign_id = c.id
                        order by archived, c.starts_on desc nulls last, c.created_at desc, c.id
                        """)
                .query((row, number) -> new Row(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        Optional.ofNullable(row.getObject(4, LocalDate.class)),
                        Optional.ofNullable(row.getObject(5, LocalDate.class)),
                        Optional.ofNullable(row.getObject(6, Long.class)),
                        row.getString(7),
                        row.getBoolean(8),
                        row.getLong(9),
                        row.getLong(10)))
                .list();
    }
}
