package wendo.app.prepare.sources;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;

/** The SQL of the sources' screens. */
@Component
class SourceQueries {
    private static final String ROWS = """
            select s.id, s.name, s.tag, s.channel, s.medium, s.contact, s.note, coalesce(p.name, '') as owner,
                s.archived_at is not null as archived, coalesce(l.links, 0) as links,
                coalesce(k.name, '') as merged_into
            from source s
            left join person p on p.id = s.owner_id
            left join source k on k.id = s.merged_into
            left join (select source_id, count(*) as links from link group by source_id) l on l.source_id = s.id
            """;

    private final JdbcClient jdbc;

    /** @param mergedInto the source that this one turned out to be; empty text if none */
    record Row(
            UUID id,
            String name,
            String tag,
            Channel channel,
            String medium,
            String contact,
            String note,
            String owner,
            boolean isArchived,
            long links,
            String mergedInto) {}

    SourceQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** All sources, those in use first. */
    @Transactional(readOnly = true)
    List<Row> list() {
        return jdbc.sql(ROWS + "order by archived, s.name, s.id")
                .query(SourceQueries::row)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Row> find(UUID id) {
        return jdbc.sql(ROWS + "where s.id = ?")
                .param(id)
                .query(SourceQueries::row)
                .optional();
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        return new Row(
                Objects.requireNonNull(row.getObject("id", UUID.class)),
                row.getString("name"),
                row.getString("tag"),
                Channel.valueOf(row.getString("channel")),
                row.getString("medium"),
                row.getString("contact"),
                row.getString("note"),
                row.getString("owner"),
                row.getBoolean("archived"),
                row.getLong("links"),
                row.getString("merged_into"));
    }
}
