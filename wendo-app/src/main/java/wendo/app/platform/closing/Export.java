package wendo.app.platform.closing;

import jakarta.persistence.EntityManager;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.hibernate.Session;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;

/**
 * All that a business has, as a ZIP: each table as CSV (RFC 4180, UTF-8, a first line of names), and {@code schema.json}
 * that says what each column holds. Row-level security sees to it that nothing of anybody else is in it; what would let
 * somebody in (keys, secrets, tokens) stays here.
 */
@Service
class Export {
    /** Its names may stand in a statement as they are. */
    private static final String TABLES = """
            select c.relname, a.attname, format_type(a.atttypid, a.atttypmod)
            from pg_class c
            join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
                and (c.relname = 'business'
                    or exists (select from pg_attribute b where b.attrelid = c.oid and b.attname = 'business_id'))
                and has_table_privilege(c.oid, 'select')
                and a.attname not in ('secret_hash', 'token_hash', 'site_secret', 'token')
            order by c.relname, a.attnum
            """;

    private final JdbcClient jdbc;
    private final EntityManager entities;
    private final Businesses businesses;
    private final JsonMapper json;
    private final Clock clock;

    Export(JdbcClient jdbc, EntityManager entities, Businesses businesses, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.entities = entities;
        this.businesses = businesses;
        this.json = json;
        this.clock = clock;
    }

    private record Column(String table, String name, String type) {}

    /** As it stands at one moment. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public void write(OutputStream out) {
        Map<String, Map<String, String>> tables = tables();
        entities.unwrap(Session.class).doWork(connection -> write(connection, tables, out));
    }

    private Map<String, Map<String, String>> tables() {
        List<Column> columns = jdbc.sql(TABLES)
                .query((row, number) -> new Column(row.getString(1), row.getString(2), row.getString(3)))
                .list();
        Map<String, Map<String, String>> tables = new LinkedHashMap<>();
        columns.forEach(column -> tables.computeIfAbsent(column.table(), name -> new LinkedHashMap<>())
                .put(column.name(), column.type()));
        return tables;
    }

    private void write(Connection connection, Map<String, Map<String, String>> tables, OutputStream out)
            throws SQLException {
        CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            zip.putNextEntry(new ZipEntry("schema.json"));
            zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(schema(tables)));
            zip.closeEntry();
            for (Map.Entry<String, Map<String, String>> table : tables.entrySet()) {
                zip.putNextEntry(new ZipEntry(table.getKey() + ".csv"));
                copies.copyOut(copy(table.getKey(), table.getValue()), new Unclosed(zip));
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The export broke off", e);
        }
    }

    private static String copy(String table, Map<String, String> columns) {
        return "copy (select \"%s\" from \"%s\") to stdout with (format csv, header, encoding 'UTF8')"
                .formatted(String.join("\", \"", columns.keySet()), table);
    }

    private Map<String, Object> schema(Map<String, Map<String, String>> tables) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("business", businesses.current().name());
        schema.put("exportedAt", clock.instant().toString());
        schema.put(
                "notes",
                List.of(
                        Texts.of("platform.closing.note-csv"),
                        Texts.of("platform.closing.note-amounts"),
                        Texts.of("platform.closing.note-secrets")));
        schema.put("tables", tables);
        return schema;
    }

    /** What one table is written to; the archive goes on after it. */
    private static final class Unclosed extends FilterOutputStream {
        Unclosed(OutputStream out) {
            super(out);
        }

        @Override
        public void write(byte[] bytes, int start, int length) throws IOException {
            out.write(bytes, start, length);
        }

        @Override
        public void close() throws IOException {
            out.flush();
        }
    }
}
