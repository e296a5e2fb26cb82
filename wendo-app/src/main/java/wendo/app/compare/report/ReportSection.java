package wendo.app.compare.report;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a shared report may show. None of it tells of single people. */
public enum ReportSection {
    ANSWER("The answer in a sentence"),
    TABLE("The table with rates, costs and verdicts"),
    PAIRS("Whose rates differ clearly"),
    MONTHS("Campaigns by month");

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
        return label;
    }
}
