package wendo.core.partners;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * What a partner is owed on a day, in minor units. Payments settle the oldest lines first. Ours.
 *
 * @param heldMinor what waits for returns
 * @param dueMinor what may be paid; below 0 if more was paid than earned
 * @param paidMinor what was paid in all
 */
public record PartnerBalance(long heldMinor, long dueMinor, long paidMinor, Map<UUID, State> states) {
    /** Where a line stands. */
    public enum State {
        HELD,
        DUE,
        PAID,
        TAKEN_BACK
    }

    /**
     * A line.
     *
     * @param id tells it from all others
     * @param dueFrom the first day on which it may be paid
     */
    public record Line(UUID id, UUID outcome, LocalDate day, LocalDate dueFrom, long minor) {}

    public PartnerBalance {
        states = Map.copyOf(states);
    }

    /** @param paidMinor what was paid so far, 0 or more */
    public static PartnerBalance of(List<Line> lines, long paidMinor, LocalDate today) {
        Map<UUID, Long> sums = new HashMap<>();
        lines.forEach(line -> sums.merge(line.outcome(), line.minor(), Long::sum));
        List<Line> inOrder = new ArrayList<>(lines);
        inOrder.sort(
                Comparator.comparing(Line::dueFrom).thenComparing(Line::day).thenComparing(Line::id));
        long held = 0;
        long due = 0;
        long left = paidMinor
                - lines.stream().mapToLong(line -> Math.min(0, line.minor())).sum();
        Map<UUID, State> states = new HashMap<>();
        for (Line line : inOrder) {
            boolean isHeld = line.minor() > 0 && line.dueFrom().isAfter(today);
            held += isHeld ? line.minor() : 0;
            due += isHeld ? 0 : line.minor();
            boolean isCovered = !isHeld && line.minor() > 0 && line.minor() <= left;
            if (!isHeld && line.minor() > 0) {
                left = isCovered ? left - line.minor() : 0; // a part of a line does not settle a later one
            }
            states.put(line.id(), state(line, sums.getOrDefault(line.outcome(), 0L), isHeld, isCovered));
        }
        return new PartnerBalance(held, due - paidMinor, paidMinor, states);
    }

    private static State state(Line line, long sum, boolean isHeld, boolean isCovered) {
        if (line.minor() < 0 || (line.minor() > 0 && sum <= 0)) {
            return State.TAKEN_BACK;
        }
        return isHeld ? State.HELD : isCovered ? State.PAID : State.DUE;
    }
}
