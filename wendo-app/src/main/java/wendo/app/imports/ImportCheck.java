package wendo.app.imports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.tables.Table;
import wendo.core.outcomes.GivenCode;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;

/** Says of each row of a file what would become of it. */
@Service
class ImportCheck {
    private static final int MAX_SAID = 400;

    private final ImportFiles files;
    private final ImportKnown known;

    ImportCheck(ImportFiles files, ImportKnown known) {
        this.files = files;
        this.known = known;
    }

    /** What is looked up once for all rows. */
    private record Looked(ImportMatching matching, Map<String, ImportKnown.Outcome> outcomes, Set<String> codes) {}

    @Transactional
    void check(UUID id, ImportMatching matching) {
        ImportFiles.File file = files.find(id).orElseThrow();
        files.remember(id, file.headings(), matching);
        List<Table.Row> rows = files.rows(id);
        ImportRow reader = known.reader(rows, matching);
        Looked looked = new Looked(matching, known.outcomes(matching, rows), known.codes());
        Map<String, Integer> last = new HashMap<>();
        rows.forEach(row -> last.put(matching.cell(row, ImportColumn.REFERENCE).strip(), row.line()));
        List<ImportFiles.Fate> fates = new ArrayList<>();
        for (Table.Row row : rows) {
            OutcomeReport.Read read = reader.read(row);
            if (read instanceof OutcomeReport.Read.Good good) {
                int counts = last.getOrDefault(good.report().reference(), row.line());
                fates.add(fate(row, good.report(), counts, looked));
            } else {
                fates.add(refused(row, reader.said(row, (OutcomeReport.Read.Bad) read)));
            }
        }
        files.judge(id, fates);
    }

    private static ImportFiles.Fate refused(Table.Row row, String said) {
        return new ImportFiles.Fate(row.line(), "refused", said.substring(0, Math.min(said.length(), MAX_SAID)));
    }

    private static ImportFiles.Fate fate(Table.Row row, OutcomeReport report, int counts, Looked looked) {
        if (counts != row.line()) {
            return new ImportFiles.Fate(
                    row.line(), "known", "It stands again in line %d, which counts.".formatted(counts));
        }
        return Optional.ofNullable(looked.outcomes().get(report.reference()))
                .map(outcome -> fateOfKnown(row, report, outcome))
                .orElseGet(() -> fateOfNew(row, report, looked));
    }

    private static ImportFiles.Fate fateOfKnown(Table.Row row, OutcomeReport report, ImportKnown.Outcome outcome) {
        boolean isSame = report.valueMinor().orElse(outcome.valueMinor()) == outcome.valueMinor()
                && report.status()
                        .map(OutcomeStatus::key)
                        .orElse(outcome.status())
                        .equals(outcome.status());
        return isSame
                ? new ImportFiles.Fate(row.line(), "known", "It is there already.")
                : new ImportFiles.Fate(row.line(), "changed", "Its value or status is another now.");
    }

    private static ImportFiles.Fate fateOfNew(Table.Row row, OutcomeReport report, Looked looked) {
        String code = GivenCode.find(report.told().code()).map(GivenCode::key).orElse("");
        String joins = joins(report, code, looked);
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
    private static String joins(OutcomeReport report, String code, Looked looked) {
        if (report.click().isPresent()) {
            return "Its click identifier tells where it came from.";
        }
        if (looked.codes().contains(code)) {
            return "Its code tells where it came from.";
        }
        if (!looked.matching().partner().isEmpty()) {
            return "It is in the partner's report.";
        }
        return report.told().email().isEmpty() && report.told().phone().isEmpty()
                ? ""
                : "Its contact details may be known from before.";
    }
}
