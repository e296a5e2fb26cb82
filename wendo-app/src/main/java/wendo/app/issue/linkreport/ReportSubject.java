package wendo.app.issue.linkreport;

import java.util.Arrays;
import java.util.Optional;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;

/**
 * The links that a report is of.
 *
 * @param key a link's or campaign's identifier, or a label
 */
record ReportSubject(Kind kind, String key) {
    enum Kind {
        LINK,
        CAMPAIGN,
        LABEL;

        String key() {
            return FilterValues.key(this);
        }
    }

    /** As an address names it: {@code link=…}, {@code campaign=…} or {@code label=…}; empty if it names none. */
    static Optional<ReportSubject> of(TypedFields asked) {
        return Arrays.stream(Kind.values())
                .map(kind -> new ReportSubject(kind, asked.text(kind.key())))
                .filter(ReportSubject::isPossible)
                .findFirst();
    }

    private boolean isPossible() {
        return kind == Kind.LABEL
                ? !key.isEmpty() && key.length() <= Limits.LABEL
                : FilterValues.id(key).isPresent();
    }
}
