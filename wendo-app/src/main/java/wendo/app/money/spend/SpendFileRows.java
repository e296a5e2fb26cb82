package wendo.app.money.spend;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.tables.Table;

/** The rows of files from ad accounts. They pour in by thousands and never change, so they go in as one batch. */
@Component
class SpendFileRows {
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;

    SpendFileRows(JdbcClient jdbc, JdbcTemplate batches) {
        this.jdbc = jdbc;
        this.batches = batches;
    }

    void add(UUID file, List<Table.Row> rows) {
        UUID business = BusinessScope.current().value();
        batches.batchUpdate(
                "insert into spend_file_row (business_id, file_id, line, cells) values (?, ?, ?, ?)",
                rows.stream()
                        .map(row -> new Object[] {
                            business, file, row.line(), row.cells().toArray(String[]::new)
                        })
                        .toList());
    }

    List<Table.Row> of(UUID file) {
        return jdbc.sql("select line, cells from spend_file_row where file_id = ? order by line")
                .param(file)
                .query((row, number) -> new Table.Row(
                        row.getInt(1), List.of((String[]) row.getArray(2).getArray())))
                .list();
    }
}
