package wendo.app.platform.activity;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.TypedFields;

/**
 * Which activity is shown, as it stands in the address.
 *
 * @param days the last so many; 0 for all
 */
record ActivityFilter(String find, Optional<TrackedKind> kind, int days) {
    static final List<Integer> DAYS = List.of(1, 7, 28, 90, 365);

    static ActivityFilter of(TypedFields asked) {
        return new ActivityFilter(
                FilterValues.text(asked.raw("find")),
                TrackedKind.of(asked.raw("kind")),
                DAYS.stream()
                        .filter(one -> one.toString().equals(asked.raw("days")))
                        .findFirst()
                        .orElse(0));
    }

    Instant since(Instant now) {
        return days == 0 ? Instant.EPOCH : now.minus(Duration.ofDays(days));
    }

    public boolean isNarrow() {
        return !find.isBlank() || kind.isPresent() || days > 0;
    }

    public String query() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("kind", kind.map(TrackedKind::key).orElse(""));
        said.put("days", days == 0 ? "" : String.valueOf(days));
        return FilterValues.query(said);
    }

    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}
