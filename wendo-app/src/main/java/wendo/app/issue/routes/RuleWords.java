package wendo.app.issue.routes;

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
            parts.add("on " + any(when.devices(), device -> device.label() + "s"));
        }
        if (!when.countries().isEmpty()) {
            parts.add("in " + any(when.countries(), this::country));
        }
        if (!when.languages().isEmpty()) {
            parts.add("whose browser asks for " + any(when.languages(), this::language));
        }
        if (!when.weekdays().isEmpty()) {
            parts.add("on "
                    + when.weekdays().stream()
                            .sorted()
                            .map(day -> day.getDisplayName(TextStyle.FULL, locale) + "s")
                            .collect(Collectors.joining(" or ")));
        }
        when.hours().ifPresent(hours -> parts.add("from %s to %s".formatted(hours.from(), hours.until())));
        when.firstDay().ifPresent(day -> parts.add("from " + day(day)));
        when.lastDay().ifPresent(day -> parts.add("until " + day(day)));
        String all = String.join(", ", parts);
        return all.substring(0, 1).toUpperCase(locale) + all.substring(1);
    }

    private String day(LocalDate day) {
        return DateTimeFormatter.ofPattern("d MMM yyyy", locale).format(day);
    }

    private static <T> String any(Set<T> values, Function<T, String> name) {
        return values.stream().map(name).sorted(Comparator.naturalOrder()).collect(Collectors.joining(" or "));
    }

    public String country(String code) {
        return new Locale("", code).getDisplayCountry(locale);
    }

    public String language(String code) {
        return new Locale(code).getDisplayLanguage(locale);
    }

    public String weekday(DayOfWeek day) {
        return day.getDisplayName(TextStyle.SHORT, locale);
    }

    /** "Phones in Ireland"; "Everybody" where the rules tell nobody apart. */
    public String group(RoutingPreview.Group group) {
        String devices =
                group.device().map(Device::label).map(label -> label + "s").orElse("");
        String in = group.country()
                .map(code -> code.isEmpty() ? Texts.of("issue.routes.in-any-other-country") : "in " + country(code))
                .orElse("");
        String asking = group.language()
                .map(code -> code.isEmpty()
                        ? Texts.of("issue.routes.asking-for-another-language")
                        : "asking for " + language(code))
                .orElse("");
        String all = Stream.of(devices.isEmpty() ? "people" : devices, in, asking)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" "));
        return all.equals("people")
                ? Texts.of("issue.routes.everyone")
                : all.substring(0, 1).toUpperCase(locale) + all.substring(1);
    }
}
