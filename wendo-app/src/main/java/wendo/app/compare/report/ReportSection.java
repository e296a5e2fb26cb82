package wendo.app.compare.report;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What a shared report may show. None of it tells of single people. */
public enum ReportSection {
    ANSWER("compare.report.report-section.the-answer-in-a-sentence"),
    TABLE("compare.report.report-section.the-table-with-rates-costs"),
    PAIRS("compare.report.report-section.clear-differences-in-rates"),
    MONTHS("compare.report.report-section.campaigns-by-month");

    private final String label;

    ReportSection(String label) {
        this.label = label;
    }

    static Optional<ReportSection> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }
}
