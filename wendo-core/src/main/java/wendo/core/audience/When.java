package wendo.core.audience;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Days in which something was done, of the business's own calendar.
 *
 * @param lastDays 0 where they are not counted back from today
 * @param first day; from the beginning where none is said
 * @param last day, which counts; until now where none is said
 */
public record When(int lastDays, Optional<LocalDate> first, Optional<LocalDate> last) {
    /** Ten years: longer than visits are kept. Ours. */
    public static final int MOST_DAYS = 3650;

    public When {
        if (lastDays < 0 || lastDays > MOST_DAYS) {
            throw new IllegalArgumentException("Days are 1 to " + MOST_DAYS + ", but were " + lastDays);
        }
        if (lastDays > 0 && (first.isPresent() || last.isPresent())) {
            throw new IllegalArgumentException("Days are counted back from today or lie between two days, not both");
        }
        if (first.isPresent() && last.isPresent() && last.get().isBefore(first.get())) {
            throw new IllegalArgumentException("The last day, " + last.get() + ", is before the first, " + first.get());
        }
    }

    public static When ever() {
        return new When(0, Optional.empty(), Optional.empty());
    }

    /** Today and the days before it, so many in all. */
    public static When last(int days) {
        return new When(days, Optional.empty(), Optional.empty());
    }

    public static When between(Optional<LocalDate> first, Optional<LocalDate> last) {
        return new When(0, first, last);
    }

    public boolean isEver() {
        return lastDays == 0 && first.isEmpty() && last.isEmpty();
    }

    /** The first day that counts; empty for no bound. */
    public Optional<LocalDate> from(LocalDate today) {
        return lastDays > 0 ? Optional.of(today.minusDays(lastDays - 1L)) : first;
    }

    /** The day that counts no more; empty for no bound, so that what happens today is in. */
    public Optional<LocalDate> before() {
        return last.map(day -> day.plusDays(1));
    }
}
