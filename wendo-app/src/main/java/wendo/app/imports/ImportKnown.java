package wendo.app.imports;

import java.time.Clock;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.Businesses;
import wendo.app.networks.Networks;
import wendo.app.tables.Table;
import wendo.core.visits.ClickId;

/** What is known of the rows of a file before they are imported. Runs in the transaction of its caller. */
@Component
class ImportKnown {
    private final Networks networks;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final Clock clock;

    ImportKnown(Networks networks, Businesses businesses, JdbcClient jdbc, Clock clock) {
        this.networks = networks;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** An outcome as it is known. */
    record Outcome(UUID id, String status, long valueMinor, long refundedMinor) {}

    /** The outcomes that are there already, by their references. */
    Map<String, Outcome> outcomes(ImportMatching matching, List<Table.Row> rows) {
        Map<String, Outcome> known = new HashMap<>();
        jdbc.sql("""
                        select reference, id, status, value_minor, refunded_minor from outcome
                        where kind = ? and reference = any(?)
                        """)
                .params(matching.kind(), cells(rows, matching, ImportColumn.REFERENCE))
                .query(row -> {
                    known.put(
                            row.getString(1),
                            new Outcome(
                                    row.getObject(2, UUID.class), row.getString(3), row.getLong(4), row.getLong(5)));
                });
        return known;
    }

    /** Reads rows; what stands for click identifiers at a partner's has been looked up for all of them. */
    ImportRow reader(List<Table.Row> rows, ImportMatching matching) {
        Map<String, ClickId> clicks = matching.partner().isEmpty()
                ? Map.of()
                : networks.clicks(
                        UUID.fromString(matching.partner()),
                        Arrays.stream(cells(rows, matching, ImportColumn.CLICK))
                                .map(cell -> cell.toLowerCase(Locale.ROOT))
                                .toList());
        return new ImportRow(matching, businesses.current(), clock.instant(), clicks);
    }

    private static String[] cells(List<Table.Row> rows, ImportMatching matching, ImportColumn column) {
        return rows.stream()
                .map(row -> matching.cell(row, column).strip())
                .filter(cell -> !cell.isEmpty())
                .distinct()
                .toArray(String[]::new);
    }

    /** Those that stand for a source. */
    Set<String> codes() {
        return new HashSet<>(jdbc.sql("select key from source_clue where kind = 'code'")
                .query(String.class)
                .list());
    }
}
