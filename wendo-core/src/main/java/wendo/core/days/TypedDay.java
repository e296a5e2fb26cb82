package wendo.core.days;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.Year;
import java.time.chrono.IsoChronology;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.FormatStyle;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Reads a day as people type it: 3 May, 3rd May 2026, May 3, 3/5, 3.5.26, 2026-05-03, today, yesterday, tomorrow. The
 * order of plain numbers is that of the locale's short date (Unicode CLDR, as the Java platform has it); two digits of a
 * year are of this century; without a year it is the one nearest to today. Ours.
 *
 * @param locale whose order and names of months hold, beside English names
 * @param today in the zone of whoever types
 */
public record TypedDay(Locale locale, LocalDate today) {
    private static final Pattern NUMBERS = Pattern.compile("(\\d{1,4})[./ -](\\d{1,2})(?:[./ -](\\d{4}|\\d{2})?)?");
    private static final Pattern DAY_THEN_NAME =
            Pattern.compile("(\\d{1,2})(?:st|nd|rd|th|\\.)?[ -]?(?:of )?(\\p{L}{3,})\\.?[ ,-]*(\\d{4}|\\d{2})?");
    private static final Pattern NAME_THEN_DAY =
            Pattern.compile("(\\p{L}{3,})\\.?[ -]?(\\d{1,2})(?:st|nd|rd|th|\\.)?(?:[ ,-]+(\\d{4}|\\d{2}))?");

    /** By days from today, in the languages of the pages. */
    private static final Map<String, Integer> WORDS =
            Map.of("today", 0, "yesterday", -1, "tomorrow", 1, "heute", 0, "gestern", -1, "morgen", 1);

    private static final int CENTURY = 2000;
    private static final int SHORTEST_NAME = 3;

    /** Empty if it is no day. */
    public Optional<LocalDate> find(String text) {
        String plain = text.strip().toLowerCase(locale).replaceAll("\\s+", " ");
        try {
            return Optional.ofNullable(WORDS.get(plain)).map(today::plusDays).or(() -> written(plain));
        } catch (DateTimeException e) {
            return Optional.empty(); // the 31st of April
        }
    }

    private Optional<LocalDate> written(String plain) {
        Matcher numbers = NUMBERS.matcher(plain);
        if (numbers.matches()) {
            return numbers.group(1).length() > 2 ? yearFirst(numbers) : Optional.of(inOrder(numbers));
        }
        Matcher dayFirst = DAY_THEN_NAME.matcher(plain);
        if (dayFirst.matches()) {
            return named(dayFirst.group(2), dayFirst.group(1), dayFirst.group(3));
        }
        Matcher nameFirst = NAME_THEN_DAY.matcher(plain);
        return nameFirst.matches()
                ? named(nameFirst.group(1), nameFirst.group(2), nameFirst.group(3))
                : Optional.empty();
    }

    private static Optional<LocalDate> yearFirst(Matcher numbers) {
        return numbers.group(1).length() == 4
                        && numbers.group(3) != null
                        && numbers.group(3).length() == 2
                ? Optional.of(LocalDate.of(
                        Integer.parseInt(numbers.group(1)),
                        Integer.parseInt(numbers.group(2)),
                        Integer.parseInt(numbers.group(3))))
                : Optional.empty();
    }

    private LocalDate inOrder(Matcher numbers) {
        int one = Integer.parseInt(numbers.group(1));
        int two = Integer.parseInt(numbers.group(2));
        boolean isMonthFirst = pattern(locale).indexOf('M') < pattern(locale).indexOf('d');
        return isMonthFirst ? day(one, two, numbers.group(3)) : day(two, one, numbers.group(3));
    }

    private Optional<LocalDate> named(String name, String day, @Nullable String year) {
        return month(name).map(month -> day(month.getValue(), Integer.parseInt(day), year));
    }

    private LocalDate day(int month, int day, @Nullable String year) {
        if (year != null) {
            int number = Integer.parseInt(year);
            return LocalDate.of(year.length() == 2 ? CENTURY + number : number, month, day);
        }
        return Stream.of(today.getYear() - 1, today.getYear(), today.getYear() + 1)
                .filter(one -> day <= Month.of(month).length(Year.isLeap(one)))
                .map(one -> LocalDate.of(one, month, day))
                .min(Comparator.comparing(one -> Math.abs(ChronoUnit.DAYS.between(today, one))))
                .orElseThrow(() -> new DateTimeException("No month has such a day"));
    }

    /** By its whole name or its beginning, three letters at least. */
    private Optional<Month> month(String name) {
        return Stream.of(Month.values())
                .filter(month -> Stream.of(locale, Locale.ENGLISH)
                        .flatMap(language -> Stream.of(TextStyle.FULL, TextStyle.SHORT)
                                .map(style -> month.getDisplayName(style, language)))
                        .map(known -> known.toLowerCase(locale).replace(".", ""))
                        .anyMatch(known ->
                                known.equals(name) || name.length() >= SHORTEST_NAME && known.startsWith(name)))
                .findFirst();
    }

    /** How days are written in a locale, with the year in full: dd/MM/y is 03/05/2026 in British English. */
    public static String pattern(Locale locale) {
        return DateTimeFormatterBuilder.getLocalizedDateTimePattern(
                        FormatStyle.SHORT, null, IsoChronology.INSTANCE, locale)
                .replaceAll("y+", "yyyy")
                .replaceAll("u+", "yyyy");
    }
}
