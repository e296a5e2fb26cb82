package wendo.app.outcome.imports;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.income.Incomes;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Recorded;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;
import wendo.core.outcomes.OutcomeReport;

/** Imports a file that was checked, and undoes an import. */
@Service
class ImportWork {
    private static final int MAX_BY = 120;

    private final ImportFiles files;
    private final ImportKnown known;
    private final Outcomes outcomes;
    private final Incomes incomes;

    ImportWork(ImportFiles files, ImportKnown known, Outcomes outcomes, Incomes incomes) {
        this.files = files;
        this.known = known;
        this.outcomes = outcomes;
        this.incomes = incomes;
    }

    private record Line(Table.Row row, OutcomeReport report) {
        int number() {
            return row.line();
        }
    }

    /** @param left outcomes that others changed since, and that stay */
    record Undone(int back, int left) {}

    /** Rows without a source are imported too: they are outcomes all the same, and can be matched later. */
    @Transactional
    void run(UUID id) {
        ImportFiles.File file = files.find(id).orElseThrow();
        List<Table.Row> rows = files.rows(id);
        ImportRow reader = known.reader(rows, file.matching());
        Map<String, Line> lines = new LinkedHashMap<>(); // of rows with the same reference, the last counts
        for (Table.Row row : rows) {
            if (reader.read(row) instanceof OutcomeReport.Read.Good good) {
                lines.put(good.report().referenceKey(), new Line(row, good.report()));
            }
        }
        List<Line> all = List.copyOf(lines.values());
        Optional<UUID> partner = file.matching().partner().isEmpty()
                ? Optional.empty()
                : Optional.of(UUID.fromString(file.matching().partner()));
        List<Recorded> recorded =
                outcomes.recordAll(all.stream().map(Line::report).toList(), Reporter.FILE, partner, importedBy(file));
        List<ImportFiles.Did> did = new ArrayList<>();
        for (int i = 0; i < recorded.size(); i++) {
            did(all.get(i), recorded.get(i)).ifPresent(did::add);
            Table.Row row = all.get(i).row();
            recorded.get(i)
                    .known()
                    .flatMap(outcome -> reader.income(row, outcome, file.name(), importedBy(file)))
                    .ifPresent(incomes::told);
        }
        files.did(id, did);
        files.move(id, "importing", "imported", "");
    }

    /** How an outcome was before, to be able to go back. */
    private static Optional<ImportFiles.Did> did(Line line, Recorded recorded) {
        if (recorded instanceof Recorded.New one) {
            return Optional.of(new ImportFiles.Did(line.number(), one.outcome(), Optional.empty()));
        }
        return recorded instanceof Recorded.Changed one
                ? Optional.of(new ImportFiles.Did(line.number(), one.outcome(), Optional.of(one.before())))
                : Optional.empty();
    }

    /** As histories name it. */
    private static String importedBy(ImportFiles.File file) {
        String by = Texts.kept("outcome.imports.by-file", file.createdBy(), file.name());
        return by.length() <= MAX_BY ? by : by.substring(0, MAX_BY);
    }

    /** Takes back what the import brought; what others changed since is left alone. */
    @Transactional
    Optional<Undone> undo(UUID id, String by) {
        if (!files.move(id, "imported", "undone", "")) {
            return Optional.empty();
        }
        ImportFiles.File file = files.find(id).orElseThrow();
        Set<UUID> back = new HashSet<>();
        Set<UUID> left = new HashSet<>();
        for (ImportFiles.Did did : files.done(id)) {
            boolean isBack = did.before()
                    .map(before -> outcomes.restore(did.outcome(), before, importedBy(file), by))
                    .orElseGet(() -> outcomes.takeBack(did.outcome()));
            (isBack ? back : left).add(did.outcome());
        }
        Incomes.Undone income = incomes.undo(importedBy(file), by);
        back.addAll(income.back());
        left.addAll(income.left());
        back.removeAll(left);
        return Optional.of(new Undone(back.size(), left.size()));
    }
}
