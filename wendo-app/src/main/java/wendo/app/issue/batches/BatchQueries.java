package wendo.app.issue.batches;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of the report of a batch. */
@Component
class BatchQueries {
    static final int PAGE = 100;

    private final JdbcClient jdbc;

    /** @param shown what the row would be, in a few words */
    record Row(
            int line,
            List<String> cells,
            String verdict,
            String shown,
            String url,
            String taggedAddress,
            List<String> faults,
            boolean isIssued) {}

    /** How many rows are what. */
    record Counts(long good, long wrong, long known) {
        public long all() {
            return good + wrong + known;
        }
    }

    BatchQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    Counts counts(UUID batch) {
        return jdbc.sql("""
                        select count(*) filter (where verdict = 'good'), count(*) filter (where verdict = 'wrong'),
                            count(*) filter (where verdict = 'known')
                        from batch_row where batch_id = ?
                        """)
                .param(batch)
                .query((row, number) -> new Counts(row.getLong(1), row.getLong(2), row.getLong(3)))
                .single();
    }

    /** The rows of one verdict, or with empty text all, from a line on. */
    @Transactional(readOnly = true)
    List<Row> page(UUID batch, String verdict, int fromLine) {
        return jdbc.sql("""
                        select line, cells, verdict, shown, url, tagged_address, faults, link_id is not null
                        from batch_row
                        where batch_id = :batch and (:verdict = '' or verdict = :verdict) and line >= :line
                        order by line limit %d
                        """.formatted(PAGE + 1))
                .param("batch", batch)
                .param("verdict", verdict)
                .param("line", fromLine)
                .query(BatchQueries::row)
                .list();
    }

    @Transactional(readOnly = true)
    List<Row> all(UUID batch) {
        return new ArrayList<>(
                jdbc.sql("""
                        select line, cells, verdict, shown, url, tagged_address, faults, link_id is not null
                        from batch_row where batch_id = ? order by line
                        """).param(batch).query(BatchQueries::row).list());
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        return new Row(
                row.getInt(1),
                Arrays.asList((String[]) row.getArray(2).getArray()),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                Arrays.asList((String[]) row.getArray(7).getArray()),
                row.getBoolean(8));
    }
}
