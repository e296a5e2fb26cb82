package wendo.app.issue.batches;

import java.time.Clock;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.tables.Table;

/** Keeps batches and their rows. */
@Component
class BatchStore {
    private static final int RECENT = 50;

    private final BatchRepository repository;
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final Clock clock;

    BatchStore(BatchRepository repository, JdbcClient jdbc, JdbcTemplate batches, Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.batches = batches;
        this.clock = clock;
    }

    @Transactional
    UUID add(String name, Table table, Matching matching, String by) {
        StoredBatch batch = new StoredBatch(name, table, matching, clock.instant(), by);
        repository.save(batch);
        UUID id = batch.id();
        UUID business = BusinessScope.current().value();
        batches.batchUpdate(
                """
                insert into batch_row (business_id, batch_id, line, cells, verdict, shown, url, tagged_address, faults)
                values (?, ?, ?, ?, '', '', '', '', '{}')
                """,
                table.rows().stream()
                        .map(row -> new Object[] {
                            business, id, row.line(), row.cells().toArray(String[]::new)
                        })
                        .toList());
        return id;
    }

    @Transactional(readOnly = true)
    List<Batch> recent() {
        return repository.findAllByOrderByCreatedAtDesc(Limit.of(RECENT)).stream()
                .map(StoredBatch::batch)
                .toList();
    }

    @Transactional(readOnly = true)
    Optional<Batch> find(UUID id) {
        return repository.findById(id).map(StoredBatch::batch);
    }

    @Transactional
    void match(UUID id, Matching matching) {
        repository.lock(id).orElseThrow().match(matching);
    }

    /** Moves a batch on from one of these states; of two who try at once, one is told true. */
    @Transactional
    boolean move(UUID id, List<Batch.State> from, Batch.State to, String problem) {
        Optional<StoredBatch> batch = repository.lock(id).filter(one -> one.isIn(from));
        batch.ifPresent(one -> one.move(to, problem));
        return batch.isPresent();
    }

    /** In a transaction of its own, so that everybody sees the progress while the work's transaction is still open. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    void progress(UUID id, int done) {
        repository.progress(id, done);
    }

    @Transactional
    void looked(UUID id, BatchLooks.Found pages) {
        repository.looked(id, pages.failing().toArray(String[]::new), pages.unseen());
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
        repository
                .lock(id)
                .filter(batch -> !batch.isIn(List.of(Batch.State.ISSUING, Batch.State.ISSUED)))
                .ifPresent(repository::delete);
    }
}
