package wendo.app.spend;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
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

    /** Read as the last one with the same heading was, if there was one. */
    @Transactional
    UUID add(String name, Table table, Locale locale, String by) {
        SpendLayout layout = remembered(table.columns())
                .map(known -> known.heldAgainst(table))
                .orElseGet(() -> SpendLayout.guess(table, locale));
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
}
