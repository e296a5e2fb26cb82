package wendo.app.compare.sql;

import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Period;

/** The period that the chosen one is set against. */
public enum ComparedWith {
    NOTHING("compare.sql.compared-with.nothing"),
    BEFORE("compare.sql.compared-with.the-days-before"),
    YEAR("compare.sql.compared-with.the-same-days-last-year");

    private final String label;

    ComparedWith(String label) {
        this.label = label;
    }

    static Optional<ComparedWith> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    /** As many days before, or the same days of the year before, which are as many unless 29 February is among them. */
    public Optional<Period> period(Period chosen) {
        return switch (this) {
            case NOTHING -> Optional.empty();
            case BEFORE ->
                Optional.of(new Period(
                        chosen.startInclusive().minus(chosen.days(), ChronoUnit.DAYS), chosen.startInclusive()));
            case YEAR ->
                Optional.of(Period.ofDays(
                        chosen.startInclusive().minusYears(1), chosen.lastDay().minusYears(1)));
        };
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }
}
