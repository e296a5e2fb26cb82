package wendo.core.outcomes;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** In which order the days of a file are written. Years are four digits, or two for 2000 to 2099. Ours. */
public enum DayOrder {
    YEAR_FIRST,
    DAY_FIRST,
    MONTH_FIRST;

    private static final Pattern WRITTEN =
            Pattern.compile("(\\d{1,4})[./-](\\d{1,2})[./-](\\d{1,4})(?:[T ,]+(\\d{1,2}):(\\d{2})(?::(\\d{2}))?.*)?");
    private static final int MONTHS = 12;

    /** What the days of a column tell; empty if every one of them could be read in more than one order, or none at all. */
    public static Optional<DayOrder> detect(List<String> cells) {
        boolean yearFirst = false;
        boolean dayFirst = false;
        boolean monthFirst = false;
        for (String cell : cells) {
            Matcher day = WRITTEN.matcher(cell.strip());
            if (day.matches()) {
                boolean isYearFirst = day.group(1).length() == 4;
                yearFirst |= isYearFirst;
                dayFirst |= !isYearFirst && Integer.parseInt(day.group(1)) > MONTHS;
                monthFirst |= !isYearFirst && Integer.parseInt(day.group(2)) > MONTHS;
            }
        }
        int told = (yearFirst ? 1 : 0) + (dayFirst ? 1 : 0) + (monthFirst ? 1 : 0);
        if (told != 1) {
            return Optional.empty();
        }
        return Optional.of(yearFirst ? YEAR_FIRST : dayFirst ? DAY_FIRST : MONTH_FIRST);
    }

    /** The moment that a cell names, at midday where it names a day alone; a year in front is understood in any order. */
    public Optional<LocalDateTime> find(String cell) {
        Matcher day = WRITTEN.matcher(cell.strip());
        if (!day.matches()) {
            return Optional.empty();
        }
        int first = Integer.parseInt(day.group(1));
        int second = Integer.parseInt(day.group(2));
        int third = Integer.parseInt(day.group(3));
        try {
            LocalTime time = day.group(4) == null
                    ? LocalTime.NOON
                    : LocalTime.of(
                            Integer.parseInt(day.group(4)),
                            Integer.parseInt(day.group(5)),
                            day.group(6) == null ? 0 : Integer.parseInt(day.group(6)));
            LocalDate date = day.group(1).length() == 4
                    ? LocalDate.of(first, second, third)
                    : this == MONTH_FIRST
                            ? LocalDate.of(year(day.group(3)), first, second)
                            : LocalDate.of(year(day.group(3)), second, first);
            return Optional.of(date.atTime(time));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static int year(String digits) {
        return digits.length() <= 2 ? 2000 + Integer.parseInt(digits) : Integer.parseInt(digits);
    }
}
