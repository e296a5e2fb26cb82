package wendo.app.platform.activity;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;

/** The SQL of the list of activity. */
@Component
class ActivityQueries {
    static final int PAGE = 100;
    static final int MOST_EXPORTED = 100_000;

    private static final String CHOSEN = """
            from activity a
            where a.at >= :since and (:kind = '' or a.kind = :kind)
                and (:needle = '%%' or lower(concat_ws(' ', a.person, a.subject, a.changes)) like :needle)
            """;

    private final JdbcClient jdbc;

    ActivityQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** One property that was changed; empty texts where nothing can be read. */
    record Change(String property, String before, String after) {}

    record Row(Instant at, String person, String did, TrackedKind kind, String subject, List<Change> changes) {}

    @Transactional(readOnly = true)
    List<Row> page(ActivityFilter filter, Instant now, int page, int size) {
        return chosen(
                        "select a.at, a.person, a.did, a.kind, a.subject, a.changes " + CHOSEN
                                + "order by a.at desc, a.id limit :limit offset :offset",
                        filter,
                        now)
                .param("limit", size)
                .param("offset", (long) page * PAGE)
                .query((row, number) -> row(row))
                .list();
    }

    @Transactional(readOnly = true)
    long count(ActivityFilter filter, Instant now) {
        return chosen("select count(*) " + CHOSEN, filter, now)
                .query(Long.class)
                .single();
    }

    private JdbcClient.StatementSpec chosen(String sql, ActivityFilter filter, Instant now) {
        return jdbc.sql(sql)
                .param("since", Timestamp.from(filter.since(now)))
                .param("kind", filter.kind().map(TrackedKind::key).orElse(""))
                .param("needle", "%" + FilterValues.needle(filter.find()) + "%");
    }

    private static Row row(ResultSet row) throws SQLException {
        return new Row(
                row.getTimestamp(1).toInstant(),
                row.getString(2),
                row.getString(3),
                TrackedKind.of(row.getString(4)).orElseThrow(),
                row.getString(5),
                Arrays.stream(row.getString(6).split("\n"))
                        .map(line -> line.split("\t", -1))
                        .filter(parts -> parts.length == 3)
                        .map(parts -> new Change(parts[0], parts[1], parts[2]))
                        .toList());
    }
}
