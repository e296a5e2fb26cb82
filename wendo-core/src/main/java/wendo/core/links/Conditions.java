package wendo.core.links;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import java.util.Set;
import wendo.core.text.Refused;

/**
 * When a rule applies: all that is said must hold, and what is left out holds always. Days and times are the business's;
 * both days are included, a span of hours runs from its first minute to just before its last and may cross midnight.
 *
 * @param countries ISO 3166-1 alpha-2 in capitals
 * @param languages primary subtags in lower case
 */
public record Conditions(
        Optional<LocalDate> firstDay,
        Optional<LocalDate> lastDay,
        Set<DayOfWeek> weekdays,
        Optional<Hours> hours,
        Set<String> countries,
        Set<Device> devices,
        Set<String> languages) {

    /** A span of the day. */
    public record Hours(LocalTime from, LocalTime until) {
        public Hours {
            if (from.equals(until)) {
                throw new Refused("links.hours-equal", from);
            }
        }

        boolean hold(LocalTime at) {
            return from.isBefore(until)
                    ? !at.isBefore(from) && at.isBefore(until)
                    : !at.isBefore(from) || at.isBefore(until);
        }
    }

    public Conditions {
        weekdays = Set.copyOf(weekdays);
        countries = Set.copyOf(countries);
        devices = Set.copyOf(devices);
        languages = Set.copyOf(languages);
        if (firstDay.isPresent() && lastDay.isPresent() && lastDay.get().isBefore(firstDay.get())) {
            throw new Refused("links.days-reversed");
        }
        if (firstDay.isEmpty()
                && lastDay.isEmpty()
                && hours.isEmpty()
                && weekdays.isEmpty()
                && countries.isEmpty()
                && devices.isEmpty()
                && languages.isEmpty()) {
            throw new IllegalArgumentException(
                    "A rule needs at least one condition; without any it would be where the link leads.");
        }
    }

    public boolean hold(Circumstances now) {
        LocalDate day = now.at().toLocalDate();
        return firstDay.map(first -> !day.isBefore(first)).orElse(true)
                && lastDay.map(last -> !day.isAfter(last)).orElse(true)
                && (weekdays.isEmpty() || weekdays.contains(day.getDayOfWeek()))
                && hours.map(span -> span.hold(now.at().toLocalTime())).orElse(true)
                && (countries.isEmpty() || countries.contains(now.country()))
                && (devices.isEmpty() || devices.contains(now.device()))
                && (languages.isEmpty() || languages.contains(now.language()));
    }
}
