package wendo.app.platform.site;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import wendo.core.measure.Period;

/**
 * The period that all screens look at, as it stands in the address: {@code period=28d} or {@code from=…&to=…}, both days
 * included. Controllers take it as a parameter.
 *
 * @param query the part of an address that chooses this period
 * @param fault what was wrong with the address's own period, if anything; then the season is shown
 */
public record PeriodChoice(Period period, LocalDate today, String key, String query, Optional<String> fault) {
    /** A season is what the ribbon shows: half a year. */
    public static final int SEASON_WEEKS = 26;

    private static final int MAX_YEARS = 10;
    private static final int MONTHS_OF_QUARTER = 3;
    private static final int MONTHS_OF_YEAR = 12;

    /** A preset of the ribbon. */
    public record Preset(String key, String text) {
        public String label() {
            return Texts.of(text);
        }
    }

    public static final List<Preset> PRESETS = List.of(
            new Preset("7d", "platform.site.preset-7d"),
            new Preset("28d", "platform.site.preset-28d"),
            new Preset("quarter", "platform.site.preset-quarter"),
            new Preset("year", "platform.site.preset-year"),
            new Preset("season", "platform.site.preset-season"));

    /** A preset in the middle of a sentence; empty text for days of one's own. */
    public String words() {
        return switch (key) {
            case "7d" -> Texts.of("platform.site.the-last-7-days");
            case "28d" -> Texts.of("platform.site.the-last-28-days");
            case "quarter" -> Texts.of("platform.site.this-quarter");
            case "year" -> Texts.of("platform.site.this-year");
            case "season" -> Texts.of("platform.site.the-season");
            default -> "";
        };
    }

    /**
     * Reads an address's parameters. Nonsense shows the season and says so.
     *
     * @param firstMonth when the financial year begins, of which there are quarters
     */
    public static PeriodChoice of(Function<String, Optional<String>> parameter, LocalDate today, Month firstMonth) {
        Optional<String> from = parameter.apply("from").filter(text -> !text.isBlank());
        Optional<String> to = parameter.apply("to").filter(text -> !text.isBlank());
        if (from.isPresent() || to.isPresent()) {
            return ofDays(from.orElse(""), to.orElse(""), today);
        }
        return ofPreset(parameter.apply("period").orElse("season"), today, firstMonth);
    }

    private static PeriodChoice ofDays(String from, String to, LocalDate today) {
        try {
            LocalDate first = LocalDate.parse(from);
            LocalDate last = LocalDate.parse(to);
            if (last.isBefore(first)) {
                return season(today, Optional.of(Texts.of("platform.site.the-last-day-is-before")));
            }
            if (first.isBefore(today.minusYears(MAX_YEARS)) || last.isAfter(today.plusYears(1))) {
                return season(today, Optional.of(Texts.of("platform.site.that-period-is-too-far")));
            }
            return new PeriodChoice(
                    Period.ofDays(first, last), today, "", "from=" + first + "&to=" + last, Optional.empty());
        } catch (DateTimeException e) {
            return season(today, Optional.of(Texts.of("platform.site.two-days-are-needed-like")));
        }
    }

    private static PeriodChoice ofPreset(String key, LocalDate today, Month firstMonth) {
        return switch (key) {
            case "7d" -> preset(key, today.minusDays(6), today);
            case "28d" -> preset(key, today.minusDays(27), today);
            case "quarter" -> preset(key, began(today, firstMonth, MONTHS_OF_QUARTER), today);
            case "year" -> preset(key, began(today, firstMonth, MONTHS_OF_YEAR), today);
            case "season" -> season(today, Optional.empty());
            default -> season(today, Optional.of(Texts.of("platform.site.there-is-no-such-period")));
        };
    }

    /** The day that began the part of so many months of the financial year which today lies in. */
    private static LocalDate began(LocalDate today, Month firstMonth, int months) {
        return today.withDayOfMonth(1)
                .minusMonths(Math.floorMod(today.getMonthValue() - firstMonth.getValue(), months));
    }

    private static PeriodChoice preset(String key, LocalDate first, LocalDate last) {
        return new PeriodChoice(Period.ofDays(first, last), last, key, "period=" + key, Optional.empty());
    }

    private static PeriodChoice season(LocalDate today, Optional<String> fault) {
        Period season = Period.ofDays(today.minusWeeks(SEASON_WEEKS).plusDays(1), today);
        return new PeriodChoice(season, today, "season", "period=season", fault);
    }

    /** What else stands in the address and is to stay, as fields of a form. */
    public static List<Kept> kept(String query) {
        return Arrays.stream(query.split("&(?:amp;)?"))
                .filter(pair -> pair.indexOf('=') > 0)
                .map(pair -> new Kept(
                        decoded(pair.substring(0, pair.indexOf('='))), decoded(pair.substring(pair.indexOf('=') + 1))))
                .toList();
    }

    private static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }

    /** A parameter that stays. */
    public record Kept(String name, String value) {}
}
