package wendo.app.spend;

import java.io.Serializable;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.app.tables.Table;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/** Files from ad accounts, and what is remembered of how they are read. */
@Service
class SpendFiles {
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final Clock clock;

    SpendFiles(JdbcClient jdbc, JdbcTemplate batches, Clock clock) {
        this.jdbc = jdbc;
        this.batches = batches;
        this.clock = clock;
    }

    /** What became of a file: entries that are new, that changed, and that were known; the session keeps it for one page. */
    record Imported(int fresh, int changed, int known) implements Serializable {}

    private record Key(UUID source, LocalDate day) {}

    /** Read as the last one with the same heading was, if there was one. */
    @Transactional
    UUID add(String name, Table table, String by) {
        SpendLayout layout = remembered(table.columns()).orElseGet(() -> SpendLayout.guess(table));
        UUID id = UUID.randomUUID();
        UUID business = BusinessScope.current().value();
        jdbc.sql("insert into spend_file values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, null)")
                .params(id, business, name)
                .param(table.columns().toArray(String[]::new))
                .params(layout.day(), layout.amount(), layout.name())
                .params(layout.days().name(), layout.amounts().name())
                .params(Timestamp.from(clock.instant()), by)
                .update();
        batches.batchUpdate(
                "insert into spend_file_row values (?, ?, ?, ?)",
                table.rows().stream()
                        .map(row -> new Object[] {
                            business, id, row.line(), row.cells().toArray(String[]::new)
                        })
                        .toList());
        return id;
    }

    private Optional<SpendLayout> remembered(List<String> columns) {
        return jdbc.sql(
                        "select day_column, amount_column, name_column, day_order, amounts from spend_layout where heading = ?")
                .param(SpendLayout.heading(columns))
                .query((row, number) -> layout(row))
                .optional();
    }

    private static SpendLayout layout(ResultSet row) throws SQLException {
        return new SpendLayout(
                row.getInt("day_column"),
                row.getInt("amount_column"),
                row.getInt("name_column"),
                DayOrder.valueOf(row.getString("day_order")),
                AmountStyle.valueOf(row.getString("amounts")));
    }

    @Transactional(readOnly = true)
    Optional<SpendFile> find(UUID id) {
        List<Table.Row> rows = jdbc.sql("select line, cells from spend_file_row where file_id = ? order by line")
                .param(id)
                .query((row, number) -> new Table.Row(
                        row.getInt(1), List.of((String[]) row.getArray(2).getArray())))
                .list();
        return jdbc.sql("select * from spend_file where id = ?")
                .param(id)
                .query((row, number) -> new SpendFile(
                        id,
                        row.getString("name"),
                        new Table(List.of((String[]) row.getArray("columns").getArray()), rows),
                        layout(row),
                        Optional.ofNullable(row.getTimestamp("imported_at")).map(Timestamp::toInstant)))
                .optional();
    }

    /** Which source a name stands for, by the name's key. */
    @Transactional(readOnly = true)
    Map<String, UUID> names() {
        Map<String, UUID> names = new HashMap<>();
        jdbc.sql("select key, source_id from spend_name").query(row -> {
            names.put(row.getString(1), row.getObject(2, UUID.class));
        });
        return names;
    }

    /** Keeps how a file is read, for it and for all with the same heading. */
    @Transactional
    void match(SpendFile file, SpendLayout layout, Map<String, UUID> named) {
        UUID business = BusinessScope.current().value();
        jdbc.sql("""
                        update spend_file set day_column = ?, amount_column = ?, name_column = ?, day_order = ?, amounts = ?
                        where id = ?
                        """)
                .params(layout.day(), layout.amount(), layout.name())
                .params(layout.days().name(), layout.amounts().name(), file.id())
                .update();
        jdbc.sql("""
                        insert into spend_layout values (?, ?, ?, ?, ?, ?, ?)
                        on conflict (business_id, heading) do update set day_column = excluded.day_column,
                            amount_column = excluded.amount_column, name_column = excluded.name_column,
                            day_order = excluded.day_order, amounts = excluded.amounts
                        """)
                .params(business, SpendLayout.heading(file.table().columns()))
                .params(layout.day(), layout.amount(), layout.name())
                .params(layout.days().name(), layout.amounts().name())
                .update();
        named.forEach(
                (key, source) -> jdbc.sql("""
                        insert into spend_name values (?, ?, ?)
                        on conflict (business_id, key) do update set source_id = excluded.source_id
                        """).params(business, key, source).update());
    }

    /** One entry for each source and day; what an entry said before it changed is kept. */
    @Transactional
    Imported enter(SpendFile file, int decimals, String by) {
        Map<Key, Long> sums = new HashMap<>();
        file.lines(names(), decimals).stream()
                .filter(SpendFile.Line::isGood)
                .forEach(line -> sums.merge(
                        new Key(line.source().orElseThrow(), line.day().orElseThrow()),
                        line.minor().orElseThrow(),
                        Long::sum));
        String origin = SpendLayout.heading(file.table().columns());
        Map<Key, Long> before = before(origin);
        List<Map.Entry<Key, Long>> fresh = new ArrayList<>();
        List<Map.Entry<Key, Long>> changed = new ArrayList<>();
        for (Map.Entry<Key, Long> sum : sums.entrySet()) {
            Long was = before.get(sum.getKey());
            if (was == null) {
                fresh.add(sum);
            } else if (!was.equals(sum.getValue())) {
                changed.add(sum);
            }
        }
        insert(fresh, origin, file.name(), by);
        correct(changed, before, origin, decimals, by);
        jdbc.sql("update spend_file set imported_at = ? where id = ?")
                .params(Timestamp.from(clock.instant()), file.id())
                .update();
        return new Imported(fresh.size(), changed.size(), sums.size() - fresh.size() - changed.size());
    }

    private Map<Key, Long> before(String origin) {
        Map<Key, Long> before = new HashMap<>();
        jdbc.sql("select source_id, first_day, amount_minor from spend where origin = ?")
                .param(origin)
                .query(row -> {
                    before.put(
                            new Key(row.getObject(1, UUID.class), row.getObject(2, LocalDate.class)), row.getLong(3));
                });
        return before;
    }

    private void insert(List<Map.Entry<Key, Long>> fresh, String origin, String note, String by) {
        UUID business = BusinessScope.current().value();
        Timestamp now = Timestamp.from(clock.instant());
        batches.batchUpdate(
                """
                insert into spend (id, business_id, source_id, shared_by, way, amount_minor, unit_millis, first_day, last_day,
                    note, created_at, created_by, origin)
                values (?, ?, ?, '', 'lump', ?, 0, ?, ?, ?, ?, ?, ?)
                """,
                fresh.stream()
                        .map(one -> new Object[] {
                            UUID.randomUUID(),
                            business,
                            one.getKey().source(),
                            one.getValue(),
                            one.getKey().day(),
                            one.getKey().day(),
                            note,
                            now,
                            by,
                            origin
                        })
                        .toList());
    }

    private void correct(
            List<Map.Entry<Key, Long>> changed, Map<Key, Long> before, String origin, int decimals, String by) {
        UUID business = BusinessScope.current().value();
        Timestamp now = Timestamp.from(clock.instant());
        batches.batchUpdate(
                """
                insert into spend_correction
                select ?, id, ? || ' on ' || first_day || ', ' || note, ?, ?
                from spend where source_id = ? and first_day = ? and origin = ?
                """,
                changed.stream()
                        .map(one -> new Object[] {
                            business,
                            BigDecimal.valueOf(before.getOrDefault(one.getKey(), 0L), decimals)
                                    .toPlainString(),
                            now,
                            by,
                            one.getKey().source(),
                            one.getKey().day(),
                            origin
                        })
                        .toList());
        batches.batchUpdate(
                "update spend set amount_minor = ? where source_id = ? and first_day = ? and origin = ?",
                changed.stream()
                        .map(one -> new Object[] {
                            one.getValue(), one.getKey().source(), one.getKey().day(), origin
                        })
                        .toList());
    }
}
