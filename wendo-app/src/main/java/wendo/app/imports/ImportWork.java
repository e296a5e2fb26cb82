package wendo.app.imports;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.Businesses;
import wendo.app.networks.Networks;
import wendo.app.outcomes.Outcomes;
import wendo.app.outcomes.Recorded;
import wendo.app.outcomes.Reporter;
import wendo.app.tables.Table;
import wendo.core.outcomes.GivenCode;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** Says what would become of each row, imports, and undoes an import. */
@Service
class ImportWork {
    private static final int MAX_BY = 120;

    private final ImportFiles files;
    private final Outcomes outcomes;
    private final Networks networks;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final Clock clock;

    ImportWork(
            ImportFiles files,
            Outcomes outcomes,
            Networks networks,
            Businesses businesses,
            JdbcClient jdbc,
            Clock clock) {
        this.files = files;
        this.outcomes = outcomes;
        this.networks = networks;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** An outcome as it is known. */
    private record Known(UUID id, String status, long valueMinor, long refundedMinor) {}

    /** @param left outcomes that others changed since, and that stay */
    record Undone(int back, int left) {}

    @Transactional
    void check(UUID id, ImportMatching matching) {
        ImportFiles.File file = files.find(id).orElseThrow();
        files.remember(id, file.headings(), matching);
        List<Table.Row> rows = files.rows(id);
        ImportRow reader = reader(rows, matching);
        Map<String, Known> known = known(matching, rows);
        Set<String> codes = codes();
        Map<String, Integer> last = new HashMap<>();
        rows.forEach(row -> last.put(matching.cell(row, ImportColumn.REFERENCE).strip(), row.line()));
        List<ImportFiles.Fate> fates = new ArrayList<>();
        for (Table.Row row : rows) {
            OutcomeReport.Read read = reader.read(row);
            if (read instanceof OutcomeReport.Read.Bad bad) {
                String said = reader.said(row, bad);
                fates.add(new ImportFiles.Fate(row.line(), "refused", said.substring(0, Math.min(said.length(), 400))));
            } else {
                OutcomeReport report = ((OutcomeReport.Read.Good) read).report();
                int counts = last.getOrDefault(report.reference(), row.line());
                fates.add(
                        counts != row.line()
                                ? new ImportFiles.Fate(
                                        row.line(),
                                        "known",
                                        "It stands again in line %d, which counts.".formatted(counts))
                                : fate(
                                        row,
                                        report,
                                        Optional.ofNullable(known.get(report.reference())),
                                        matching,
                                        codes));
            }
        }
        files.judge(id, fates);
    }

    private static ImportFiles.Fate fate(
            Table.Row row, OutcomeReport report, Optional<Known> known, ImportMatching matching, Set<String> codes) {
        if (known.isPresent()) {
            boolean isSame = report.valueMinor().orElse(known.get().valueMinor())
                            == known.get().valueMinor()
                    && report.status()
                            .map(OutcomeStatus::key)
                            .orElse(known.get().status())
                            .equals(known.get().status());
            return isSame
                    ? new ImportFiles.Fate(row.line(), "known", "It is there already.")
                    : new ImportFiles.Fate(row.line(), "changed", "Its value or status is another now.");
        }
        String code = GivenCode.find(report.told().code()).map(GivenCode::key).orElse("");
        String joins = joins(report, code, matching, codes);
        if (!joins.isEmpty()) {
            return new ImportFiles.Fate(row.line(), "new", joins);
        }
        return new ImportFiles.Fate(
                row.line(),
                "unmatched",
                code.isEmpty()
                        ? "Nothing in the row tells where it came from."
                        : "The code %s stands for no source yet."
                                .formatted(report.told().code()));
    }

    /** What may join it to a source; contact details may turn out to be unknown. */
    private static String joins(OutcomeReport report, String code, ImportMatching matching, Set<String> codes) {
        if (report.click().isPresent()) {
            return "Its click identifier tells where it came from.";
        }
        if (codes.contains(code)) {
            return "Its code tells where it came from.";
        }
        if (!matching.partner().isEmpty()) {
            return "It is in the partner's report.";
        }
        return report.told().email().isEmpty() && report.told().phone().isEmpty()
                ? ""
                : "Its contact details may be known from before.";
    }

    private Map<String, Known> known(ImportMatching matching, List<Table.Row> rows) {
        Map<String, Known> known = new HashMap<>();
        jdbc.sql("""
                        select reference, id, status, value_minor, refunded_minor from outcome
                        where kind = ? and reference = any(?)
                        """)
                .params(matching.kind(), cells(rows, matching, ImportColumn.REFERENCE))
                .query(row -> {
                    known.put(
                            row.getString(1),
                            new Known(row.getObject(2, UUID.class), row.getString(3), row.getLong(4), row.getLong(5)));
                });
        return known;
    }

    private ImportRow reader(List<Table.Row> rows, ImportMatching matching) {
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

    private Set<String> codes() {
        return new HashSet<>(jdbc.sql("select key from source_clue where kind = 'code'")
                .query(String.class)
                .list());
    }

    /** Rows without a source are imported too: they are outcomes all the same, and can be matched later. */
    @Transactional
    void run(UUID id) {
        ImportFiles.File file = files.find(id).orElseThrow();
        List<Table.Row> rows = files.rows(id);
        ImportRow reader = reader(rows, file.matching());
        Map<String, Known> known = known(file.matching(), rows);
        Map<String, Integer> lines = new LinkedHashMap<>();
        Map<String, OutcomeReport> last = new LinkedHashMap<>();
        for (Table.Row row : rows) {
            if (reader.read(row) instanceof OutcomeReport.Read.Good good) {
                lines.put(good.report().reference(), row.line());
                last.put(good.report().reference(), good.report());
            }
        }
        List<OutcomeReport> reports = List.copyOf(last.values());
        Optional<UUID> partner = file.matching().partner().isEmpty()
                ? Optional.empty()
                : Optional.of(UUID.fromString(file.matching().partner()));
        List<Recorded> recorded = outcomes.recordAll(reports, Reporter.FILE, partner, importedBy(file));
        List<ImportFiles.Did> did = new ArrayList<>();
        for (int i = 0; i < recorded.size(); i++) {
            if (recorded.get(i) instanceof Recorded.New one) {
                did.add(new ImportFiles.Did(
                        lines.getOrDefault(reports.get(i).reference(), 0), one.outcome(), "", 0, 0));
            } else if (recorded.get(i) instanceof Recorded.Changed one) {
                Known was = known.get(reports.get(i).reference());
                if (was != null) {
                    did.add(new ImportFiles.Did(
                            lines.getOrDefault(reports.get(i).reference(), 0),
                            one.outcome(),
                            was.status(),
                            was.valueMinor(),
                            was.refundedMinor()));
                }
            }
        }
        files.did(id, did);
        files.move(id, "importing", "imported", "");
    }

    /** As histories name it. */
    private static String importedBy(ImportFiles.File file) {
        String by = file.createdBy() + ", file " + file.name();
        return by.length() <= MAX_BY ? by : by.substring(0, MAX_BY);
    }

    /** Takes back what the import brought; what others changed since is left alone. */
    @Transactional
    Optional<Undone> undo(UUID id, String by) {
        if (!files.move(id, "imported", "undone", "")) {
            return Optional.empty();
        }
        ImportFiles.File file = files.find(id).orElseThrow();
        int back = 0;
        int left = 0;
        for (ImportFiles.Did did : files.done(id)) {
            boolean isBack = did.status().isEmpty()
                    ? outcomes.takeBack(did.outcome())
                    : outcomes.restore(
                            did.outcome(),
                            new Standing(
                                    OutcomeStatus.find(did.status()).orElseThrow(),
                                    did.valueMinor(),
                                    did.refundedMinor()),
                            importedBy(file),
                            by);
            back += isBack ? 1 : 0;
            left += isBack ? 0 : 1;
        }
        return Optional.of(new Undone(back, left));
    }
}
