package wendo.app.issue.routes;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.Conditions;
import wendo.core.links.Device;

/** A rule as typed. */
record RuleForm(
        String firstDay,
        String lastDay,
        List<String> weekdays,
        String from,
        String until,
        String countries,
        List<String> devices,
        String languages,
        String address) {

    static RuleForm empty() {
        return new RuleForm("", "", List.of(), "", "", "", List.of(), "", "");
    }

    static RuleForm of(TypedFields typed) {
        return new RuleForm(
                typed.text("firstDay"),
                typed.text("lastDay"),
                typed.all("weekday"),
                typed.text("from"),
                typed.text("until"),
                typed.text("countries"),
                typed.all("device"),
                typed.text("languages"),
                typed.text("address"));
    }

    /** The conditions, or empty with what is wrong noted by field. */
    Optional<Conditions> read(Locale locale, Map<String, String> faults) {
        Map<String, String> found = new HashMap<>();
        Optional<LocalDate> first = day("firstDay", firstDay, found);
        Optional<LocalDate> last = day("lastDay", lastDay, found);
        Optional<LocalTime> begin = time("from", from, Texts.of("issue.routes.a-time-of-day-like"), found);
        Optional<LocalTime> end = time("until", until, Texts.of("issue.routes.a-time-of-day-like-2"), found);
        if (from.isEmpty() != until.isEmpty()) {
            found.put("until", Texts.of("issue.routes.enter-both-times-or-neither"));
        }
        Set<String> inCountries = names("countries", countries, Named.countries(locale), found);
        Set<String> inLanguages = names("languages", languages, Named.languages(locale), found);
        faults.putAll(found);
        if (!found.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Conditions(
                    first,
                    last,
                    among(DayOfWeek.values(), weekdays),
                    begin.map(time -> new Conditions.Hours(time, end.orElseThrow())),
                    inCountries,
                    among(Device.values(), devices),
                    inLanguages));
        } catch (IllegalArgumentException e) {
            faults.put("rule", Texts.said(e));
            return Optional.empty();
        }
    }

    private static Optional<LocalDate> day(String field, String text, Map<String, String> faults) {
        try {
            return parsed(text, LocalDate::parse);
        } catch (DateTimeParseException e) {
            faults.put(field, Texts.of("issue.routes.not-what", Texts.of("issue.routes.a-day")));
            return Optional.empty();
        }
    }

    private static Optional<LocalTime> time(String field, String text, String what, Map<String, String> faults) {
        try {
            return parsed(text, LocalTime::parse);
        } catch (DateTimeParseException e) {
            faults.put(field, Texts.of("issue.routes.not-what", what));
            return Optional.empty();
        }
    }

    private static <T> Optional<T> parsed(String text, Function<String, T> parse) {
        return Optional.of(text).filter(typed -> !typed.isEmpty()).map(parse);
    }

    private static Set<String> names(String field, String text, Named named, Map<String, String> faults) {
        try {
            return named.read(text);
        } catch (IllegalArgumentException e) {
            faults.put(field, Texts.said(e));
            return Set.of();
        }
    }

    private static <E extends Enum<E>> Set<E> among(E[] all, List<String> chosen) {
        return Arrays.stream(all)
                .filter(value -> chosen.contains(value.name().toLowerCase(Locale.ROOT)))
                .collect(Collectors.toSet());
    }
}
