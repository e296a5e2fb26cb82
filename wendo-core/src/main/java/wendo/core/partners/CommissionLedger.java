package wendo.core.partners;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import wendo.core.partners.MonthCommission.Earning;
import wendo.core.partners.MonthCommission.Line;

/**
 * The lines by which a partner is credited what it earns, and by which it is taken back. What changes later than in the
 * month of an outcome is a line of its own, in the month of the change; what stands on a statement that went out is never
 * changed, but made up for by the first line after it. Whatever the order of events, the lines of an outcome add up to what
 * it earns now. Ours.
 */
public final class CommissionLedger {
    private CommissionLedger() {}

    /** An outcome as it was first told, and what was left of its value after each change. */
    public record Owed(Earning first, List<Change> changes) {
        public Owed {
            changes = List.copyOf(changes);
        }

        private Earning asOf(YearMonth month) {
            return changes.stream()
                    .filter(change -> !YearMonth.from(change.day()).isAfter(month))
                    .reduce((one, later) -> later)
                    .map(change -> first.withKept(change.keptMinor()))
                    .orElse(first);
        }

        private Optional<LocalDate> changedIn(YearMonth month) {
            return changes.stream()
                    .map(Change::day)
                    .filter(day -> YearMonth.from(day).equals(month))
                    .max(Comparator.naturalOrder());
        }
    }

    /** What was left of a value from a day on, in minor units. */
    public record Change(LocalDate day, long keptMinor) {}

    /** Whether a line is the first of an outcome. */
    public enum Kind {
        EARNED,
        ADJUSTED
    }

    /**
     * A line.
     *
     * @param day on which it counts
     * @param minor in minor units, below 0 where something is taken back
     * @param line how it was worked out; empty where the outcome is the partner's no more
     */
    public record Entry(UUID outcome, LocalDate day, Kind kind, long minor, Optional<Line> line) {
        private Entry on(LocalDate other) {
            return new Entry(outcome, other, kind, minor, line);
        }

        /** The first day on which it may be paid; what is taken back is so at once. */
        public LocalDate dueFrom() {
            return minor < 0
                    ? day
                    : line.map(Line::dueFrom).filter(due -> due.isAfter(day)).orElse(day);
        }
    }

    /**
     * All lines of the outcomes of one month, by outcome and then by day.
     *
     * @param month all of a partner's outcomes of one calendar month and one agreement
     * @param terms those of a day; empty for a day without
     */
    public static List<Entry> of(List<Owed> month, Function<LocalDate, Optional<CommissionTerms>> terms) {
        if (month.isEmpty()) {
            return List.of();
        }
        YearMonth own = YearMonth.from(month.get(0).first().day());
        TreeSet<YearMonth> moments = new TreeSet<>(List.of(own));
        month.forEach(owed -> owed.changes().stream()
                .map(change -> YearMonth.from(change.day()))
                .filter(own::isBefore)
                .forEach(moments::add));
        Map<UUID, List<Entry>> entries = new LinkedHashMap<>();
        Map<UUID, Long> soFar = new HashMap<>();
        for (YearMonth moment : moments) {
            Map<UUID, Optional<LocalDate>> changed = month.stream()
                    .collect(Collectors.toMap(one -> one.first().outcome(), one -> one.changedIn(moment)));
            LocalDate last = changed.values().stream()
                    .flatMap(Optional::stream)
                    .max(Comparator.naturalOrder())
                    .orElse(moment.atDay(1));
            for (Line line : MonthCommission.of(
                            month.stream().map(one -> one.asOf(moment)).toList(), terms)
                    .lines()) {
                UUID outcome = line.earning().outcome();
                long before = soFar.getOrDefault(outcome, 0L);
                if (moment.equals(own)) {
                    add(
                            entries,
                            new Entry(outcome, line.earning().day(), Kind.EARNED, line.minor(), Optional.of(line)));
                } else if (line.minor() != before) {
                    LocalDate day =
                            changed.getOrDefault(outcome, Optional.empty()).orElse(last);
                    add(entries, new Entry(outcome, day, Kind.ADJUSTED, line.minor() - before, Optional.of(line)));
                }
                soFar.put(outcome, line.minor());
            }
        }
        return entries.values().stream().flatMap(List::stream).toList();
    }

    private static void add(Map<UUID, List<Entry>> entries, Entry entry) {
        entries.computeIfAbsent(entry.outcome(), id -> new ArrayList<>()).add(entry);
    }

    /**
     * The lines that are wanted beside those on statements that went out.
     *
     * @param wanted all lines as they would be if nothing had gone out
     * @param settled what the lines that went out add up to, by outcome, in minor units
     * @param firstOpen the first day of which no statement went out
     */
    public static List<Entry> open(List<Entry> wanted, Map<UUID, Long> settled, LocalDate firstOpen) {
        Map<UUID, List<Entry>> byOutcome =
                wanted.stream().collect(Collectors.groupingBy(Entry::outcome, LinkedHashMap::new, Collectors.toList()));
        settled.keySet().forEach(outcome -> byOutcome.computeIfAbsent(outcome, id -> List.of()));
        List<Entry> open = new ArrayList<>();
        byOutcome.forEach((outcome, entries) -> {
            if (!settled.containsKey(outcome)) {
                entries.stream()
                        .map(entry -> entry.day().isBefore(firstOpen) ? entry.on(firstOpen) : entry)
                        .forEach(open::add);
                return;
            }
            List<Entry> past = entries.stream()
                    .filter(entry -> entry.day().isBefore(firstOpen))
                    .toList();
            long missing = past.stream().mapToLong(Entry::minor).sum() - settled.getOrDefault(outcome, 0L);
            if (missing != 0) {
                Optional<Line> line =
                        past.stream().reduce((one, later) -> later).flatMap(Entry::line);
                open.add(new Entry(outcome, firstOpen, Kind.ADJUSTED, missing, line));
            }
            entries.stream().filter(entry -> !entry.day().isBefore(firstOpen)).forEach(open::add);
        });
        return List.copyOf(open);
    }
}
