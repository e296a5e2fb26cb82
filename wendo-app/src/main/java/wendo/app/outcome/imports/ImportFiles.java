package wendo.app.outcome.imports;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.outcome.outcomes.KnownOutcome;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Digest;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.Table;

/** Keeps files of outcomes, their rows with their fates, and remembered layouts. */
@Service
class ImportFiles {
    static final int PAGE = 100;
    private static final int RECENT = 50;
    private final ImportRepository repository;
    private final ImportLayoutRepository layouts;
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final JsonMapper json;
    private final Clock clock;

    ImportFiles(
            ImportRepository repository,
            ImportLayoutRepository layouts,
            JdbcClient jdbc,
            JdbcTemplate batches,
            JsonMapper json,
            Clock clock) {
        this.repository = repository;
        this.layouts = layouts;
        this.jdbc = jdbc;
        this.batches = batches;
        this.json = json;
        this.clock = clock;
    }

    record File(
            UUID id,
            String name,
            List<String> headings,
            String written,
            ImportMatching matching,
            String state,
            String problem,
            int total,
            Instant createdAt,
            String createdBy) {
        File with(ImportMatching other) {
            return new File(id, name, headings, written, other, state, problem, total, createdAt, createdBy);
        }
    }

    /** What in a file contradicts a layout. */
    @Transactional(readOnly = true)
    Optional<String> contradiction(UUID id, ImportMatching matching, int decimals) {
        return matching.contradiction(rows(id), decimals);
    }

    /** A row's fate: new, changed, known, unmatched or refused. */
    record Fate(int line, String fate, String said) {}

    record Line(int line, List<String> cells, String fate, String said, Optional<UUID> outcome) {}

    record Count(String fate, long rows) {}

    /** What a row changed, and how that outcome was before; empty if it was not there. */
    record Did(int line, UUID outcome, Optional<KnownOutcome> before) {}

    @Transactional
    UUID add(Brought brought, ImportMatching matching, String by) {
        Table table = brought.table();
        StoredImport file = new StoredImport(brought, matching, new StoredImport.Stamp(clock.instant(), by));
        repository.save(file);
        UUID id = file.id();
        UUID business = BusinessScope.current().value();
        batches.batchUpdate(
                "insert into import_row (business_id, file_id, line, cells, fate, said) values (?, ?, ?, ?, '', '')",
                table.rows().stream()
                        .map(row -> new Object[] {
                            business, id, row.line(), row.cells().toArray(String[]::new)
                        })
                        .toList());
        return id;
    }

    @Transactional(readOnly = true)
    List<File> recent() {
        return repository.findAllByOrderByCreatedAtDesc(Limit.of(RECENT)).stream()
                .map(StoredImport::file)
                .toList();
    }

    @Transactional(readOnly = true)
    Optional<File> find(UUID id) {
        return repository.findById(id).map(StoredImport::file);
    }

    /** The layout that files with these headings were read by last. */
    @Transactional(readOnly = true)
    Optional<ImportMatching> layout(List<String> headings) {
        return layouts.findById(key(headings)).map(ImportLayout::matching);
    }

    @Transactional
    void remember(UUID id, List<String> headings, ImportMatching matching) {
        repository.lock(id).orElseThrow().match(matching);
        ImportLayout layout = layouts.findById(key(headings)).orElseGet(() -> new ImportLayout(key(headings)));
        layout.use(matching, clock.instant());
        layouts.save(layout);
    }

    private static String key(List<String> headings) {
        return Digest.of(String.join("\n", headings).toLowerCase(Locale.ROOT));
    }

    /** Moves a file on; of two who try at once, one is told true. */
    @Transactional
    boolean move(UUID id, String from, String to, String problem) {
        Optional<StoredImport> file = repository.lock(id).filter(one -> one.isIn(List.of(from)));
        file.ifPresent(one -> one.move(to, problem));
        return file.isPresent();
    }

    @Transactional
    void drop(UUID id) {
        Optional<StoredImport> open =
                repository.lock(id).filter(file -> file.isIn(List.of("matching", "checked", "refused")));
        if (open.isPresent()) {
            jdbc.sql("delete from import_row where file_id = ?").param(id).update();
            repository.delete(open.get());
        }
    }

    @Transactional(readOnly = true)
    List<Table.Row> rows(UUID id) {
        return jdbc.sql("select line, cells from import_row where file_id = ? order by line")
                .param(id)
                .query((row, number) -> new Table.Row(
                        row.getInt(1), Arrays.asList((String[]) row.getArray(2).getArray())))
                .list();
    }

    @Transactional
    void judge(UUID id, List<Fate> fates) {
        batches.batchUpdate(
                "update import_row set fate = ?, said = ? where file_id = ? and line = ?",
                fates.stream()
                        .map(one -> new Object[] {one.fate(), one.said(), id, one.line()})
                        .toList());
    }

    @Transactional
    void did(UUID id, List<Did> all) {
        batches.batchUpdate(
                """
                update import_row set outcome_id = ?, was = cast(? as jsonb) where file_id = ? and line = ?
                """,
                all.stream()
                        .map(one -> new Object[] {
                            one.outcome(),
                            one.before().map(json::writeValueAsString).orElse("null"),
                            id,
                            one.line()
                        })
                        .toList());
    }

    /** What an import did, the last first. */
    @Transactional(readOnly = true)
    List<Did> done(UUID id) {
        return jdbc.sql("""
                        select line, outcome_id, nullif(was, 'null') from import_row
                        where file_id = ? and outcome_id is not null and was is not null order by line desc
                        """)
                .param(id)
                .query((row, number) -> new Did(
                        row.getInt(1),
                        row.getObject(2, UUID.class),
                        Optional.ofNullable(row.getString(3)).map(text -> json.readValue(text, KnownOutcome.class))))
                .list();
    }

    @Transactional(readOnly = true)
    List<Count> counts(UUID id) {
        return jdbc.sql("select fate, count(*) from import_row where file_id = ? group by 1 order by 1")
                .param(id)
                .query((row, number) -> new Count(row.getString(1), row.getLong(2)))
                .list();
    }

    /** From a line on; one more than a page if there are more. */
    @Transactional(readOnly = true)
    List<Line> lines(UUID id, String fate, int from) {
        return jdbc.sql("""
                        select line, cells, fate, said, outcome_id from import_row
                        where file_id = ? and (? = '' or fate = ?) and line >= ? order by line limit ?
                        """)
                .params(id, fate, fate, from, PAGE + 1)
                .query((row, number) -> new Line(
                        row.getInt(1),
                        Arrays.asList((String[]) row.getArray(2).getArray()),
                        row.getString(3),
                        row.getString(4),
                        Optional.ofNullable(row.getObject(5, UUID.class))))
                .list();
    }
}
