package wendo.app.outcome.imports;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.outcomes.ChangeWords;
import wendo.app.outcome.outcomes.KnownOutcome;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;
import wendo.app.prepare.sources.ChannelWindows;
import wendo.core.credit.CreditableTouches;
import wendo.core.credit.LookbackWindows;
import wendo.core.outcomes.GivenCode;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.ClickId;

/** Says of each row of a file what would become of it. */
@Service
class ImportCheck {
    private static final int MAX_SAID = 400;

    private final ImportFiles files;
    private final ImportKnown known;
    private final ChannelWindows windows;
    private final Businesses businesses;

    ImportCheck(ImportFiles files, ImportKnown known, ChannelWindows windows, Businesses businesses) {
        this.files = files;
        this.known = known;
        this.windows = windows;
        this.businesses = businesses;
    }

    /** What is looked up once for all rows. */
    private record Looked(
            ImportMatching matching,
            Figures figures,
            Map<String, KnownOutcome> outcomes,
            Set<String> codes,
            Map<ClickId, ImportKnown.Visited> visits,
            LookbackWindows windows) {
        Optional<UUID> partner() {
            return matching.partner().isEmpty() ? Optional.empty() : Optional.of(UUID.fromString(matching.partner()));
        }
    }

    @Transactional
    void check(UUID id, ImportMatching matching) {
        ImportFiles.File file = files.find(id).orElseThrow();
        files.remember(id, file.headings(), matching);
        List<Table.Row> rows = files.rows(id);
        ImportRow reader = known.reader(rows, matching);
        Map<Integer, OutcomeReport.Read> reads = new LinkedHashMap<>();
        rows.forEach(row -> reads.put(row.line(), reader.read(row)));
        Looked looked = looked(matching, rows, reads.values());
        Map<String, Integer> last = new HashMap<>();
        rows.forEach(row -> last.put(OutcomeReport.key(matching.cell(row, ImportColumn.REFERENCE)), row.line()));
        List<ImportFiles.Fate> fates = new ArrayList<>();
        for (Table.Row row : rows) {
            if (reads.get(row.line()) instanceof OutcomeReport.Read.Good good) {
                int counts = last.getOrDefault(good.report().referenceKey(), row.line());
                ImportFiles.Fate fate = fate(row, good.report(), counts, looked);
                fates.add(reader.malformedClick(row)
                        .map(said -> fate(row.line(), fate.fate(), fate.said() + " " + said))
                        .orElse(fate));
            } else if (reads.get(row.line()) instanceof OutcomeReport.Read.Bad bad) {
                fates.add(fate(row.line(), "refused", reader.said(row, bad)));
            }
        }
        files.judge(id, fates);
    }

    private Looked looked(ImportMatching matching, List<Table.Row> rows, Collection<OutcomeReport.Read> reads) {
        Business business = businesses.current();
        List<ClickId> clicks = reads.stream()
                .flatMap(read ->
                        read instanceof OutcomeReport.Read.Good good ? good.report().click().stream() : Stream.empty())
                .toList();
        return new Looked(
                matching,
                new Figures(business.currency(), business.zone(), business.locale()),
                known.outcomes(matching, rows),
                known.codes(),
                known.visits(clicks),
                windows.current());
    }

    private static ImportFiles.Fate fate(int line, String fate, String said) {
        return new ImportFiles.Fate(line, fate, said.substring(0, Math.min(said.length(), MAX_SAID)));
    }

    private static ImportFiles.Fate fate(Table.Row row, OutcomeReport report, int counts, Looked looked) {
        if (counts != row.line()) {
            return new ImportFiles.Fate(
                    row.line(), "known", Texts.of("outcome.imports.it-appears-again-in-line", counts));
        }
        return Optional.ofNullable(looked.outcomes().get(report.referenceKey()))
                .map(outcome -> fateOfKnown(row, report, outcome, looked))
                .orElseGet(() -> fateOfNew(row, report, looked));
    }

    private static ImportFiles.Fate fateOfKnown(
            Table.Row row, OutcomeReport report, KnownOutcome outcome, Looked looked) {
        Optional<List<KnownOutcome.Change>> changes = outcome.changesBy(report, looked.partner());
        if (changes.isEmpty()) {
            return fate(row.line(), "refused", Texts.of("outcome.imports.more-was-refunded-than-it"));
        }
        if (changes.get().isEmpty()) {
            return fate(row.line(), "known", Texts.of("outcome.imports.already-there"));
        }
        String said = changes.get().stream()
                .map(change -> ChangeWords.of(change, looked.figures()).inWords())
                .collect(Collectors.joining("; "));
        return fate(row.line(), "changed", said.substring(0, 1).toUpperCase(Locale.ROOT) + said.substring(1) + ".");
    }

    private static ImportFiles.Fate fateOfNew(Table.Row row, OutcomeReport report, Looked looked) {
        String code = GivenCode.find(report.told().code()).map(GivenCode::key).orElse("");
        String hindrance =
                report.click().map(click -> hindrance(click, report, looked)).orElse("");
        String joins = joins(report, hindrance.isEmpty(), code, looked);
        if (!joins.isEmpty()) {
            return fate(row.line(), "new", (hindrance + " " + joins).strip());
        }
        String why = code.isEmpty()
                ? Texts.of("outcome.imports.nothing-tells")
                : Texts.of(
                        "outcome.imports.the-code-has-no-source", report.told().code());
        return fate(row.line(), "unmatched", hindrance.isEmpty() ? why : hindrance);
    }

    /** Why its click identifier earns nothing; empty text if it does. */
    private static String hindrance(ClickId click, OutcomeReport report, Looked looked) {
        ImportKnown.Visited visit = looked.visits().get(click);
        if (visit == null) {
            return Texts.of("outcome.imports.its-click-identifier-belongs-to");
        }
        if (visit.kind().equals("preview") || visit.kind().equals("proof")) {
            return Texts.of(
                    "outcome.imports.earns-nothing",
                    visit.kind().equals("proof")
                            ? Texts.of("outcome.imports.test-visit")
                            : Texts.of("outcome.imports.link-preview"));
        }
        Optional<Instant> at = report.occurred().map(Occurrence::last);
        if (at.filter(last -> visit.at().isAfter(last.plus(CreditableTouches.CLOCK_SKEW)))
                .isPresent()) {
            return Texts.of("outcome.imports.the-visit-of-its-click");
        }
        Duration window = looked.windows().of(visit.channel());
        return at.filter(last -> visit.at().isBefore(last.minus(window)))
                .map(last -> Texts.of("outcome.imports.the-visit-of-its-click-2", window.toDays()))
                .orElse("");
    }

    /** What may join it to a source; contact details may turn out to be unknown. */
    private static String joins(OutcomeReport report, boolean clickEarns, String code, Looked looked) {
        if (report.click().isPresent() && clickEarns) {
            return Texts.of("outcome.imports.its-click-identifier-tells");
        }
        if (looked.codes().contains(code)) {
            return Texts.of("outcome.imports.its-code-tells");
        }
        if (!looked.matching().partner().isEmpty()) {
            return Texts.of("outcome.imports.it-is-in-the-partners");
        }
        return report.told().email().isEmpty() && report.told().phone().isEmpty()
                ? ""
                : Texts.of("outcome.imports.its-contact-may-be-known");
    }
}
