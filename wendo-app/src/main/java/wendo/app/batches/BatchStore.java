package wendo.app.batches;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.BusinessScope;
import wendo.app.tables.Table;

/** Keeps batches and their rows. */
@Component
class BatchStore {
    private static final String BATCHES = """
            select id, name, columns, matching, state, problem, done, total, created_at, created_by,
                failing_pages, unseen_pages
            from batch
            """;
    private static final int RECENT = 50;

    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final JsonMapper json;
    private final Clock clock;

    BatchStore(JdbcClient jdbc, JdbcTemplate batches, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.batches = batches;
        this.json = json;
        this.clock = clock;
    }

    @Transactional
    UUID add(String name, Table table, Matching matching, String by) {
        UUID id = UUID.randomUUID();
        UUID business = BusinessScope.current().value();
        jdbc.sql("""
                        insert into batch (id, business_id, name, columns, matching, state, problem, done, total,
                            created_at, created_by)
                        values (?, ?, ?, ?, cast(? as jsonb), 'matching', '', 0, ?, ?, ?)
                        """)
                .params(id, business, name, table.columns().toArray(String[]::new))
                .params(json.writeValueAsString(matching), table.rows().size())
                .params(Timestamp.from(clock.instant()), by)
                .update();
        batches.batchUpdate(
                "insert into batch_row values (?, ?, ?, ?, '', '', '', '', '{}', null)",
                table.rows().stream()
                        .map(row -> new Object[] {
                            business, id, row.line(), row.cells().toArray(String[]::new)
                        })
                        .toList());
        return id;
    }

    @Transactional(readOnly = true)
    List<Batch> recent() {
        return jdbc.sql(BATCHES + "order by created_at desc limit " + RECENT)
                .query(this::read)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Batch> find(UUID id) {
        return jdbc.sql(BATCHES + "where id = ?").param(id).query(this::read).optional();
    }

    @Transactional
    void match(UUID id, Matching matching) {
        jdbc.sql("update batch set matching = cast(? as jsonb) where id = ?")
                .params(json.writeValueAsString(matching), id)
                .update();
    }

    /** Moves a batch on from one of these states; of two who try at once, one is told true. */
    @Transactional
    boolean move(UUID id, List<Batch.State> from, Batch.State to, String problem) {
        return jdbc.sql("update batch set state = ?, problem = ?, done = 0 where id = ? and state = any(?)")
                        .params(to.key(), problem, id)
                        .param(from.stream().map(Batch.State::key).toArray(String[]::new))
                        .update()
                == 1;
    }

    /** Seen by everybody at once, also while the work it tells of is in a transaction of its own. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    void progress(UUID id, int done) {
        jdbc.sql("update batch set done = ? where id = ?").params(done, id).update();
    }

    @Transactional
    void looked(UUID id, BatchLooks.Found pages) {
        jdbc.sql("update batch set failing_pages = ?, unseen_pages = ? where id = ?")
                .param(pages.failing().toArray(String[]::new))
                .params(pages.unseen(), id)
                .update();
    }

    @Transactional(readOnly = true)
    List<Table.Row> rows(UUID id) {
        return jdbc.sql("select line, cells from batch_row where batch_id = ? order by line")
                .param(id)
                .query((row, number) -> new Table.Row(
                        row.getInt(1), Arrays.asList((String[]) row.getArray(2).getArray())))
                .list();
    }

    @Transactional(readOnly = true)
    long count(UUID id, String verdict) {
        return jdbc.sql("select count(*) from batch_row where batch_id = ? and verdict = ?")
                .params(id, verdict)
                .query(Long.class)
                .single();
    }

    /** The endings that the check gave to good rows, by line. */
    @Transactional(readOnly = true)
    Map<Integer, String> endings(UUID id) {
        Map<Integer, String> endings = new HashMap<>();
        jdbc.sql("select line, url from batch_row where batch_id = ? and verdict = 'good'")
                .param(id)
                .query(row -> {
                    String url = row.getString(2);
                    endings.put(row.getInt(1), url.substring(url.lastIndexOf('/') + 1));
                });
        return endings;
    }

    /** What the check of one row found. */
    record Verdict(int line, String word, String shown, String url, String taggedAddress, List<String> faults) {}

    @Transactional
    void judge(UUID id, List<Verdict> verdicts) {
        batches.batchUpdate(
                """
                update batch_row set verdict = ?, shown = ?, url = ?, tagged_address = ?, faults = ?, link_id = null
                where batch_id = ? and line = ?
                """,
                verdicts.stream()
                        .map(one -> new Object[] {
                            one.word(),
                            one.shown(),
                            one.url(),
                            one.taggedAddress(),
                            one.faults().toArray(String[]::new),
                            id,
                            one.line()
                        })
                        .toList());
    }

    /** The link that a row became. */
    record Became(int line, UUID link, String url) {}

    @Transactional
    void became(UUID id, List<Became> links) {
        batches.batchUpdate(
                "update batch_row set link_id = ?, url = ? where batch_id = ? and line = ?",
                links.stream()
                        .map(one -> new Object[] {one.link(), one.url(), id, one.line()})
                        .toList());
    }

    @Transactional
    void drop(UUID id) {
        jdbc.sql("delete from batch where id = ? and state not in ('issuing', 'issued')")
                .param(id)
                .update();
    }

    private Batch read(ResultSet row, int number) throws SQLException {
        return new Batch(
                row.getObject("id", UUID.class),
                row.getString("name"),
                Arrays.asList((String[]) row.getArray("columns").getArray()),
                json.readValue(row.getString("matching"), Matching.class),
                Batch.State.of(row.getString("state")),
                row.getString("problem"),
                row.getInt("done"),
                row.getInt("total"),
                row.getTimestamp("created_at").toInstant(),
                row.getString("created_by"),
                new BatchLooks.Found(
                        Arrays.asList((String[]) row.getArray("failing_pages").getArray()),
                        row.getInt("unseen_pages")));
    }
}
