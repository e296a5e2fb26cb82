package wendo.app.issue.links;

import java.time.LocalDate;
import java.time.chrono.IsoChronology;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.DateTimeParseException;
import java.time.format.FormatStyle;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.destinations.Destinations;
import wendo.core.links.AddressRefused;
import wendo.core.links.Labels;
import wendo.core.links.WebAddress;

/** Checks what is said of a link beyond what it is. */
final class TermRules {
    static final int MAX_NOTE = Limits.NOTE;
    static final int MAX_LABEL = Limits.LABEL;
    static final int MAX_LABELS = Limits.MOST_LABELS;
    static final int MAX_DISCLOSURE = Limits.DISCLOSURE;

    private final IssueSetting setting;

    /** The terms, with all that is wrong with them. */
    record Judged(CheckedTerms terms, List<IssueFault> faults) {}

    TermRules(IssueSetting setting) {
        this.setting = setting;
    }

    Judged check(LinkTerms typed) {
        List<IssueFault> faults = new ArrayList<>();
        tooLong("note", "issue.links.terms.note-too-long", typed.note(), MAX_NOTE)
                .ifPresent(faults::add);
        tooLong("disclosure", "issue.links.terms.disclosure-too-long", typed.disclosure(), MAX_DISCLOSURE)
                .ifPresent(faults::add);
        Optional<LocalDate> first = day("firstDay", typed.firstDay(), faults);
        Optional<LocalDate> last = day("lastDay", typed.lastDay(), faults);
        if (first.isPresent() && last.isPresent() && last.get().isBefore(first.get())) {
            faults.add(new IssueFault("lastDay", Texts.of("issue.links.terms.last-day-before-first")));
        }
        boolean hasDays = !typed.firstDay().isEmpty() || !typed.lastDay().isEmpty();
        CheckedTerms terms = new CheckedTerms(
                typed.note(),
                owner(typed.owner(), faults),
                labels(typed.labels(), faults),
                first,
                last,
                outside(typed.outside(), hasDays, faults),
                typed.isPaid(),
                typed.disclosure(),
                brand(typed.brand(), faults));
        if (typed.isPaid() && typed.disclosure().isBlank()) {
            faults.add(new IssueFault("disclosure", Texts.of("issue.links.terms.disclosure-missing")));
        }
        return new Judged(terms, faults);
    }

    private static Optional<IssueFault> tooLong(String field, String what, String text, int most) {
        return text.length() <= most
                ? Optional.empty()
                : Optional.of(new IssueFault(field, Texts.of(what, most, text.length())));
    }

    private Optional<LocalDate> day(String field, String text, List<IssueFault> faults) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<LocalDate> day = readDay(text, setting.business().locale());
        if (day.isEmpty() || day.get().getYear() < 2000 || day.get().getYear() > 2199) {
            faults.add(new IssueFault(
                    field,
                    Texts.of(
                            "issue.links.is-not-a-day-write",
                            shortened(text),
                            LocalDate.of(2026, 12, 31)
                                    .format(shortDay(setting.business().locale())))));
            return Optional.empty();
        }
        return day;
    }

    /** A day as the standard writes it (ISO 8601), or as people of this locale do. */
    static Optional<LocalDate> readDay(String text, Locale locale) {
        for (DateTimeFormatter format : List.of(DateTimeFormatter.ISO_LOCAL_DATE, shortDay(locale))) {
            try {
                return Optional.of(LocalDate.parse(text.strip(), format));
            } catch (DateTimeParseException e) {
                // perhaps the next format fits
            }
        }
        return Optional.empty();
    }

    private static DateTimeFormatter shortDay(Locale locale) {
        String pattern = DateTimeFormatterBuilder.getLocalizedDateTimePattern(
                        FormatStyle.SHORT, null, IsoChronology.INSTANCE, locale)
                .replaceFirst("y+", "uuuu")
                .replaceFirst("M+", "M")
                .replaceFirst("d+", "d");
        return DateTimeFormatter.ofPattern(pattern, locale).withResolverStyle(ResolverStyle.STRICT);
    }

    private Optional<UUID> owner(String text, List<IssueFault> faults) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<UUID> found = setting.colleagues().stream()
                .filter(person -> person.isCalled(text))
                .map(Colleague::id)
                .findFirst();
        if (found.isEmpty()) {
            faults.add(new IssueFault("owner", Texts.of("issue.links.terms.nobody-has-that-name", shortened(text))));
        }
        return found;
    }

    private Optional<UUID> brand(String text, List<IssueFault> faults) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<UUID> found = setting.brands().stream()
                .filter(one -> one.id().toString().equals(text) || one.name().equalsIgnoreCase(text))
                .map(BrandListed::id)
                .findFirst();
        if (found.isEmpty()) {
            faults.add(new IssueFault("brand", Texts.of("issue.links.terms.no-such-brand", shortened(text))));
        }
        return found;
    }

    /** Each as it is spelled in use. */
    private List<String> labels(String text, List<IssueFault> faults) {
        List<String> labels = Arrays.stream(text.split("[,;]", -1))
                .map(String::strip)
                .filter(Labels::isPossible)
                .map(setting.labels()::spelled)
                .distinct()
                .toList();
        labels.stream()
                .filter(label -> label.length() > MAX_LABEL)
                .findFirst()
                .ifPresent(label -> faults.add(new IssueFault(
                        "labels",
                        Texts.of("issue.links.terms.label-too-long", MAX_LABEL, shortened(label), label.length()))));
        if (labels.size() > MAX_LABELS) {
            faults.add(
                    new IssueFault("labels", Texts.of("issue.links.terms.too-many-labels", MAX_LABELS, labels.size())));
        }
        return labels;
    }

    private Optional<WebAddress> outside(String text, boolean hasDays, List<IssueFault> faults) {
        if (!hasDays || text.isEmpty()) {
            if (hasDays) {
                faults.add(new IssueFault("outside", Texts.of("issue.links.terms.outside-missing")));
            }
            return Optional.empty();
        }
        try {
            return Optional.of(Destinations.check(text, setting.business(), setting.linkHosts()));
        } catch (AddressRefused e) {
            faults.add(new IssueFault("outside", Texts.said(e)));
            return Optional.empty();
        }
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
