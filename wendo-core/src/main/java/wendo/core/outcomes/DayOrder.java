package wendo.core.outcomes;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** In which order the days of a file are written. Years are four digits, or two for 2000 to 2099. Ours. */
public enum DayOrder {
    YEAR_FIRST,
    DAY_FIRST,
    MONTH_FIRST;

    private static final Pattern WRITTEN =
            Pattern.compile("(\\d{1,4})[./-](\\d{1,2})[./-](\\d{1,4})(?:[Tt ,]+(\\S.*))?");

    /** Hours and minutes, perhaps seconds, a half of the day, and an offset as ISO 8601 writes it. */
    private static final Pattern TIME = Pattern.compile(
            "(\\d{1,2})(?::(\\d{2})(?::(\\d{2})(?:[.,]\\d{1,9})?)?)?\\s*([ap])?\\.?(m)?\\.?\\s*(z|utc|[+-]\\d{2}(?::?\\d{2})?)?");

    private static final String MONTH_NAMES = "janfebmaraprmayjunjulaugsepoctnovdec";
    private static final int SHORT_NAME = 3;

    /** 3 May 2026, 03-May-26, May 3, 2026: English names, whole or their first three letters. */
    private static final Pattern NAMED = Pattern.compile(
            "(?i)(?:(\\d{1,2})[ -](MONTH)\\.?[ -]|(MONTH)\\.? (\\d{1,2}),? )(\\d{4}|\\d{2})((?:[T ,].*)?)"
                    .replace(
                            "MONTH",
                            "jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?"
                                    + "|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?"));

    private static final Pattern EIGHT_DIGITS = Pattern.compile("^(20\\d{2})(\\d{2})(\\d{2})$");
    private static final int NOON = 12;
    private static final int MONTHS = 12;

    /** What the days of a column tell; empty if every one of them could be read in more than one order, or none at all. */
    public static Optional<DayOrder> detect(List<String> cells) {
        boolean yearFirst = false;
        boolean dayFirst = false;
        boolean monthFirst = false;
        for (String cell : cells) {
            Matcher day = WRITTEN.matcher(inDigits(cell.strip()));
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

    /** By its key, such as day_first. */
    public static Optional<DayOrder> named(String key) {
        return Arrays.stream(values())
                .filter(order -> order.name().equalsIgnoreCase(key.strip()))
                .findFirst();
    }

    /** As a column tells; where it leaves that open, as people of that country write. */
    public static DayOrder of(List<String> cells, Locale locale) {
        return detect(cells).orElse(locale.getCountry().equals("US") ? MONTH_FIRST : DAY_FIRST);
    }

    /** The day, and the time if one is told, that a cell names; a year in front is understood in any order. */
    public Optional<WrittenTime> find(String cell) {
        Matcher day = WRITTEN.matcher(inDigits(cell.strip()));
        if (!day.matches()) {
            return Optional.empty();
        }
        int first = Integer.parseInt(day.group(1));
        int second = Integer.parseInt(day.group(2));
        int third = Integer.parseInt(day.group(3));
        try {
            LocalDate date = day.group(1).length() == 4
                    ? LocalDate.of(first, second, third)
                    : this == MONTH_FIRST
                            ? LocalDate.of(year(day.group(3)), first, second)
                            : LocalDate.of(year(day.group(3)), second, first);
            return day.group(4) == null
                    ? Optional.of(new WrittenTime(date, Optional.empty(), Optional.empty()))
                    : withTime(date, day.group(4));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** A day whose month is written by name, or that is eight digits in a row, is the same in any order. */
    private static String inDigits(String cell) {
        Matcher named = NAMED.matcher(cell);
        if (!named.matches()) {
            return EIGHT_DIGITS.matcher(cell).replaceFirst("$1-$2-$3");
        }
        boolean isDayFirst = named.group(1) != null;
        String month = (isDayFirst ? named.group(2) : named.group(3))
                .substring(0, SHORT_NAME)
                .toLowerCase(Locale.ROOT);
        int number = MONTH_NAMES.indexOf(month) / SHORT_NAME + 1;
        String year = named.group(5).length() == 2 ? "20" + named.group(5) : named.group(5);
        return year + "-" + number + "-" + (isDayFirst ? named.group(1) : named.group(4)) + named.group(6);
    }

    private static Optional<WrittenTime> withTime(LocalDate date, String written) {
        Matcher time = TIME.matcher(written.toLowerCase(Locale.ROOT));
        boolean isTime = time.matches()
                && (time.group(4) == null) == (time.group(5) == null) // both letters of a.m., or none
                && (time.group(2) != null || time.group(4) != null); // 4 PM is a time, 4 is none
        return isTime
                ? Optional.of(new WrittenTime(
                        date,
                        Optional.of(LocalTime.of(hour(time), number(time.group(2)), number(time.group(3)))),
                        Optional.ofNullable(time.group(6)).map(DayOrder::offset)))
                : Optional.empty();
    }

    /** 12 AM is midnight and 12 PM noon; hours with a half of the day are 1 to 12. */
    private static int hour(Matcher time) {
        int hour = Integer.parseInt(time.group(1));
        if (time.group(4) == null) {
            return hour;
        }
        if (hour < 1 || hour > NOON) {
            throw new DateTimeException("No hour of half a day");
        }
        return hour % NOON + (time.group(4).equals("p") ? NOON : 0);
    }

    private static int number(@Nullable String digits) {
        return digits == null ? 0 : Integer.parseInt(digits);
    }

    private static ZoneOffset offset(String written) {
        return written.equals("z") || written.equals("utc") ? ZoneOffset.UTC : ZoneOffset.of(written);
    }

    private static int year(String digits) {
        return digits.length() <= 2 ? 2000 + Integer.parseInt(digits) : Integer.parseInt(digits);
    }

    /** The first cell that names a day in another order but none in this one; empty if all cells go with this order. */
    public Optional<String> contradiction(List<String> cells) {
        return cells.stream()
                .filter(cell -> find(cell).isEmpty()
                        && Arrays.stream(values())
                                .anyMatch(other -> other.find(cell).isPresent()))
                .findFirst();
    }
}
