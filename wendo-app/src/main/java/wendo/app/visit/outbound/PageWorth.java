package wendo.app.visit.outbound;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;

/**
 * A page of the business's own site and what the links on it that lead away were worth.
 *
 * @param worthMinor the sum of its lines; empty if none of them is worth a known amount
 */
record PageWorth(String page, List<Line> lines, OptionalLong worthMinor) {

    /** One pattern on the page. @param worthMinor its clicks times what one is worth; empty if that is not known */
    record Line(String name, long clicks, long people, OptionalLong worthMinor) {}

    public long clicks() {
        return lines.stream().mapToLong(Line::clicks).sum();
    }

    /** Pages by worth, then by clicks. */
    static List<PageWorth> of(List<OutboundQueries.Cell> cells, List<OutboundPatterns.Kept> patterns) {
        Map<UUID, OutboundPatterns.Kept> byId = new LinkedHashMap<>();
        patterns.forEach(pattern -> byId.put(pattern.id(), pattern));
        Map<String, List<Line>> byPage = new LinkedHashMap<>();
        for (OutboundQueries.Cell cell : cells) {
            OutboundPatterns.Kept pattern = byId.get(cell.pattern());
            if (pattern != null) { // else it was removed between the two statements
                byPage.computeIfAbsent(cell.page(), page -> new ArrayList<>())
                        .add(new Line(pattern.name(), cell.clicks(), cell.people(), pattern.worthMinor(cell.clicks())));
            }
        }
        return byPage.entrySet().stream()
                .map(entry -> new PageWorth(entry.getKey(), entry.getValue(), sum(entry.getValue())))
                .sorted((a, b) -> {
                    int byWorth = Long.compare(
                            b.worthMinor().orElse(-1), a.worthMinor().orElse(-1));
                    return byWorth != 0 ? byWorth : Long.compare(b.clicks(), a.clicks());
                })
                .toList();
    }

    private static OptionalLong sum(List<Line> lines) {
        return lines.stream().anyMatch(line -> line.worthMinor().isPresent())
                ? OptionalLong.of(lines.stream()
                        .mapToLong(line -> line.worthMinor().orElse(0))
                        .sum())
                : OptionalLong.empty();
    }
}
