package wendo.core.credit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A change of what an outcome is worth: what it was reported with, or what was taken back (or came back) at a moment.
 *
 * @param count 1 as it is reported, −1 when it stops counting, 0 when a part of its value goes back
 * @param valueMinor what it adds to the value; less than 0 when taken back
 */
public record Entry(Instant at, int count, long valueMinor) {

    /** How an outcome stood from a moment on. */
    public record Stood(Instant from, boolean counts, long keptMinor) {}

    /**
     * The entries of an outcome: first what it was reported with, at its own time; then each change of what is left of
     * it, at the time of the change. Their sums are what is left.
     */
    public static List<Entry> of(Instant occurredAt, long valueMinor, List<Stood> changes) {
        List<Entry> entries = new ArrayList<>(List.of(new Entry(occurredAt, 1, valueMinor)));
        int counts = 1;
        long kept = valueMinor;
        for (Stood change :
                changes.stream().sorted(Comparator.comparing(Stood::from)).toList()) {
            int next = change.counts() ? 1 : 0;
            if (next != counts || change.keptMinor() != kept) {
                Instant at = change.from().isBefore(occurredAt) ? occurredAt : change.from();
                entries.add(new Entry(at, next - counts, change.keptMinor() - kept));
            }
            counts = next;
            kept = change.keptMinor();
        }
        return List.copyOf(entries);
    }
}
