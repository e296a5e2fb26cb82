package wendo.app.platform.site;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How a list is sorted and which of its columns are shown, as it stands in its address: {@code sort=-value} and
 * {@code columns=when.value}. The first column is always shown. What makes no sense is as usual.
 *
 * @param usual what the list is sorted by until somebody presses a heading
 * @param isReversed whether the order is the other way round than by the first press
 */
public record ListLook(
        List<ListColumn> all, List<ListColumn> shown, ListColumn usual, ListColumn sorted, boolean isReversed) {
    public ListLook {
        all = List.copyOf(all);
        shown = List.copyOf(shown);
    }

    /** @param usualKey the column that the list is sorted by until somebody presses a heading */
    public static ListLook of(List<ListColumn> all, String usualKey, TypedFields asked) {
        ListColumn usual = all.stream()
                .filter(column -> column.key().equals(usualKey))
                .findFirst()
                .orElseThrow();
        String sort = asked.text("sort");
        boolean isReversed = sort.startsWith("-");
        String key = isReversed ? sort.substring(1) : sort;
        ListColumn sorted = all.stream()
                .filter(column -> column.isSortable() && column.key().equals(key))
                .findFirst()
                .orElse(usual);
        return new ListLook(
                all,
                shown(all, asked),
                usual,
                sorted,
                isReversed && sorted.key().equals(key));
    }

    private static List<ListColumn> shown(List<ListColumn> all, TypedFields asked) {
        Set<String> wanted = asked.all("columns").stream()
                .flatMap(text -> Arrays.stream(text.split("\\.", -1)))
                .collect(Collectors.toSet());
        boolean isChosen = all.stream().anyMatch(column -> wanted.contains(column.key()));
        return all.stream()
                .filter(column -> column == all.get(0) || (isChosen ? wanted.contains(column.key()) : column.isUsual()))
                .toList();
    }

    public boolean shows(String key) {
        return shown.stream().anyMatch(column -> column.key().equals(key));
    }

    /** The columns that can be chosen: all but the first, which always stays. */
    public List<ListColumn> choices() {
        return all.subList(1, all.size());
    }

    private boolean isDescending() {
        return sorted.isGreatestFirst() != isReversed;
    }

    /** For SQL: what is not known comes last, whichever way round. */
    public String orderBy() {
        return sorted.sql() + (isDescending() ? sorted == usual ? " desc" : " desc nulls last" : "");
    }

    /** The same for rows that are in memory. @param byColumn how the column that is sorted by compares two of them */
    public <R> List<R> sorted(List<R> rows, Comparator<R> byColumn) {
        return rows.stream()
                .sorted(isDescending() ? byColumn.reversed() : byColumn)
                .toList();
    }

    /** As {@code aria-sort} says it. */
    public String direction(ListColumn heading) {
        return heading != sorted ? "none" : isDescending() ? "descending" : "ascending";
    }

    /** The address's part after a press on a heading, behind what else it says. */
    public String pressed(ListColumn heading, String rest) {
        ListLook after = new ListLook(all, shown, usual, heading, heading == sorted && !isReversed);
        return after.behind(rest);
    }

    /** The sort as a form's field carries it along; empty text if it is the usual one. */
    public String sort() {
        return sorted == usual && !isReversed ? "" : (isReversed ? "-" : "") + sorted.key();
    }

    private boolean isUsualChoice() {
        return shown.stream()
                .skip(1)
                .toList()
                .equals(choices().stream().filter(ListColumn::isUsual).toList());
    }

    /** What else an address says, and this. */
    public String behind(String rest) {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("sort", sort());
        said.put(
                "columns",
                isUsualChoice() ? "" : shown.stream().map(ListColumn::key).collect(Collectors.joining(".")));
        return Stream.of(rest, FilterValues.query(said))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("&"));
    }
}
