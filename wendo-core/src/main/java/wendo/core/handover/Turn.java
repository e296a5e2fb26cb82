package wendo.core.handover;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * Somebody in a round of people who get leads in turn.
 *
 * @param weight how many leads they get when one of weight 1 gets one, 1 to 10
 * @param given how many they got since the round was last changed
 * @param awayFrom with {@code awayUntil}, both included, days on which they get none
 */
public record Turn(
        UUID person,
        int weight,
        long given,
        Set<DayOfWeek> daysOff,
        Optional<LocalDate> awayFrom,
        Optional<LocalDate> awayUntil) {
    public static final int MAX_WEIGHT = 10;

    public Turn {
        if (weight < 1 || weight > MAX_WEIGHT || given < 0) {
            throw new IllegalArgumentException("A weight must be 1 to %d and leads given 0 or more, but were %d and %d"
                    .formatted(MAX_WEIGHT, weight, given));
        }
        daysOff = Set.copyOf(daysOff);
    }

    public boolean isThere(LocalDate day) {
        boolean isAway = awayFrom.map(first -> !day.isBefore(first)).orElse(awayUntil.isPresent())
                && awayUntil.map(last -> !day.isAfter(last)).orElse(true);
        return !daysOff.contains(day.getDayOfWeek()) && !isAway;
    }

    /**
     * Whose turn it is: of those who are there, who would be least ahead of their share after it (Webster's divisor
     * order, (given + 1/2) ÷ weight); of equals the first. If nobody is there, of all: a lead is not left lying.
     */
    public static Optional<Turn> next(List<Turn> round, LocalDate day) {
        List<Turn> there = round.stream().filter(turn -> turn.isThere(day)).toList();
        return (there.isEmpty() ? round : there)
                .stream().min(Comparator.comparingDouble(turn -> (turn.given + 0.5) / turn.weight));
    }
}
