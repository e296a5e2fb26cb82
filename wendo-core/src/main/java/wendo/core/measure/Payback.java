package wendo.core.measure;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;

/**
 * When the margin on what came back had covered the spend. Common practice.
 *
 * @param days from the first day of the spend to the day that covers it, both counted
 */
public record Payback(LocalDate coveredOn, long days) {

    /**
     * @param spendMinor more than 0
     * @param marginPercent what is left of revenue, 1 to 100
     * @param firstDay of the spend; what came earlier was not brought by it
     * @param revenueMinorByDay what was taken back is less than 0
     * @return empty if it was not covered, or not to the last day
     */
    public static Optional<Payback> of(
            long spendMinor, int marginPercent, LocalDate firstDay, SortedMap<LocalDate, Long> revenueMinorByDay) {
        if (spendMinor <= 0 || marginPercent < 1 || marginPercent > 100) {
            throw new IllegalArgumentException(
                    "Spend must be more than 0 and the margin 1 to 100 %%, but were %d and %d"
                            .formatted(spendMinor, marginPercent));
        }
        long earned = 0;
        Optional<LocalDate> covered = Optional.empty();
        for (Map.Entry<LocalDate, Long> day :
                revenueMinorByDay.tailMap(firstDay).entrySet()) {
            earned += day.getValue();
            boolean isCovered = earned * marginPercent >= spendMinor * 100;
            covered = isCovered ? covered.or(() -> Optional.of(day.getKey())) : Optional.empty();
        }
        return covered.map(day -> new Payback(day, ChronoUnit.DAYS.between(firstDay, day) + 1));
    }
}
