package wendo.app.issue.batches;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.core.links.Tag;

/**
 * Which column of a file holds what, and what holds for all its rows.
 *
 * @param columns the file's column, from 0, by {@link BatchColumn#key()} or {@code field.<parameter>}
 * @param usual what a row means that says nothing itself, by the same keys
 */
record Matching(Map<String, Integer> columns, Map<String, String> usual, String host, String plan, String pattern) {
    static final String FIELD = "field.";

    Matching {
        columns = Map.copyOf(columns);
        usual = Map.copyOf(usual);
    }

    /** By the names in the heading; a name that stands there twice is taken once. */
    static Matching of(List<String> headings, List<String> parameters) {
        Map<String, Integer> columns = new HashMap<>();
        for (int i = 0; i < headings.size(); i++) {
            int column = i;
            String heading = headings.get(i);
            Optional<String> parameter = parameters.stream()
                    .filter(one -> Tag.isPossible(heading)
                            && Tag.of(one.replaceFirst("^utm_", ""))
                                    .equals(Tag.of(heading.replaceFirst("(?i)^utm_", ""))))
                    .findFirst();
            if (parameter.isPresent()) {
                columns.putIfAbsent(FIELD + parameter.get(), column);
            } else {
                BatchColumn.find(heading).ifPresent(found -> columns.putIfAbsent(found.key(), column));
            }
        }
        return new Matching(columns, Map.of(), "", "", "");
    }

    /** The column matched with this, from 0; -1 if none is. */
    public int column(String key) {
        return columns.getOrDefault(key, -1);
    }

    public String usual(String key) {
        return usual.getOrDefault(key, "");
    }
}
