package wendo.app.issue.routes;

import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.util.ULocale;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wendo.app.platform.site.Texts;
import wendo.core.links.Conditions;
import wendo.core.links.Device;
import wendo.core.links.RoutingPreview;

/** Says rules in words. Templates know it as {@code say}. */
record RuleWords(Locale locale) {

    /** "On phones or tablets, in Ireland, from 22:00 to 06:00". */
    public String conditions(Conditions when) {
        List<String> parts = new ArrayList<>();
        if (!when.devices().isEmpty()) {
            parts.add(Texts.of("issue.routes.when-device", any(when.devices(), RuleWords::devices)));
        }
        if (!when.countries().isEmpty()) {
            parts.add(Texts.of("issue.routes.when-country", any(when.countries(), this::country)));
        }
        if (!when.languages().isEmpty()) {
            parts.add(Texts.of("issue.routes.when-language", any(when.languages(), this::language)));
        }
        if (!when.weekdays().isEmpty()) {
            parts.add(Texts.of(
                    "issue.routes.when-weekday",
                    either(when.weekdays().stream()
                            .sorted()
                            .map(day -> day.getDisplayName(TextStyle.FULL, reader()))
                            .toList())));
        }
        when.hours()
                .ifPresent(hours -> parts.add(Texts.of(
                        "issue.routes.when-hours",
                        hours.from().toString(),
                        hours.until().toString())));
        when.firstDay().ifPresent(day -> parts.add(Texts.of("issue.routes.when-first", day(day))));
        when.lastDay().ifPresent(day -> parts.add(Texts.of("issue.routes.when-last", day(day))));
        String all = String.join(", ", parts);
        return all.substring(0, 1).toUpperCase(locale) + all.substring(1);
    }

    private String day(LocalDate day) {
        return DateTimeFormatter.ofPattern("d MMM yyyy", locale).format(day);
    }

    private static <T> String any(Set<T> values, Function<T, String> name) {
        return either(
                values.stream().map(name).sorted(Comparator.naturalOrder()).toList());
    }

    private static String either(List<String> words) {
        return ListFormatter.getInstance(
                        Texts.language().equals(Locale.ENGLISH) ? ULocale.UK : ULocale.forLocale(reader()),
                        ListFormatter.Type.OR,
                        ListFormatter.Width.WIDE)
                .format(words);
    }

    /** Who reads it, in a language that the texts have. */
    private static Locale reader() {
        return Texts.language();
    }

    private static String devices(Device device) {
        return Texts.of("issue.routes.devices", device.key());
    }

    public String country(String code) {
        return new Locale("", code).getDisplayCountry(reader());
    }

    public String language(String code) {
        return new Locale(code).getDisplayLanguage(reader());
    }

    public String weekday(DayOfWeek day) {
        return day.getDisplayName(TextStyle.SHORT, reader());
    }

    /** "Phones in Ireland"; "Everybody" where the rules tell nobody apart. */
    public String group(RoutingPreview.Group group) {
        String devices = group.device().map(RuleWords::devices).orElse("");
        String in = group.country()
                .map(code -> code.isEmpty()
                        ? Texts.of("issue.routes.in-any-other-country")
                        : Texts.of("issue.routes.when-country", country(code)))
                .orElse("");
        String asking = group.language()
                .map(code -> code.isEmpty()
                        ? Texts.of("issue.routes.asking-for-another-language")
                        : Texts.of("issue.routes.asking-for", language(code)))
                .orElse("");
        String people = Texts.of("issue.routes.people");
        String all = Stream.of(devices.isEmpty() ? people : devices, in, asking)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" "));
        return all.equals(people)
                ? Texts.of("issue.routes.everyone")
                : all.substring(0, 1).toUpperCase(locale) + all.substring(1);
    }
}
