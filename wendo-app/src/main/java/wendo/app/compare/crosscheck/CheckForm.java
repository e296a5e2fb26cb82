package wendo.app.compare.crosscheck;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.UUID;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.measure.CrossCheck;
import wendo.core.outcomes.DayOrder;

/**
 * A cross-check as typed, by field: source, counted, system, zone, tolerance, pasted.
 *
 * @param faults what is wrong with it, by field
 */
record CheckForm(TypedFields typed, Map<String, String> faults) {
    private static final int MAX_SYSTEM = Limits.SHORT_NAME;

    CheckForm {
        faults = Map.copyOf(faults);
    }

    static CheckForm empty(ZoneId zone) {
        return new CheckForm(
                TypedFields.of(Map.of(
                        "zone",
                        zone.getId(),
                        "tolerance",
                        String.valueOf(CrossCheck.USUAL_TOLERANCE_PERCENT),
                        "counted",
                        Counted.VISIT.key())),
                Map.of());
    }

    public String typed(String field) {
        return typed.raw(field);
    }

    /** What is asked, and what they counted, if nothing is wrong. */
    record Checked(CheckForm form, Optional<Check> check, SortedMap<LocalDate, Long> theirs) {}

    static Checked check(TypedFields typed, List<Check.Subject> subjects, Locale locale) {
        return new Reading(new CheckForm(typed, Map.of()), locale).read(subjects);
    }

    /** Reads a form field by field, noting what is wrong. */
    private static final class Reading {
        private final CheckForm form;
        private final Locale locale;
        private final Map<String, String> faults = new HashMap<>();

        Reading(CheckForm form, Locale locale) {
            this.form = form;
            this.locale = locale;
        }

        Checked read(List<Check.Subject> subjects) {
            Optional<Check.Subject> subject = subject(subjects);
            Counted counted = Counted.find(form.typed("counted")).orElse(Counted.VISIT);
            if (subject.filter(Check.Subject::isDomain).isPresent() && counted != Counted.VISIT) {
                faults.put("source", Texts.of("compare.crosscheck.domain-has-visits"));
            }
            String system = system();
            Optional<ZoneId> zone = zone();
            Optional<Integer> tolerance = tolerance();
            TheirCounts theirs = theirs();
            Optional<Check> check = faults.isEmpty()
                    ? Optional.of(new Check(
                            UUID.randomUUID(),
                            subject.orElseThrow(),
                            counted,
                            system,
                            zone.orElseThrow(),
                            tolerance.orElseThrow()))
                    : Optional.empty();
            return new Checked(new CheckForm(form.typed(), faults), check, theirs.byDay());
        }

        private Optional<Check.Subject> subject(List<Check.Subject> subjects) {
            return noted(
                    "source",
                    Texts.of("compare.crosscheck.choose-the-source-they-counted"),
                    subjects.stream()
                            .filter(one -> one.id().toString().equals(form.typed("source")))
                            .findFirst());
        }

        private String system() {
            String system = form.typed("system").strip();
            if (system.isEmpty()) {
                faults.put("system", Texts.of("compare.crosscheck.enter-who-counted-a-partner"));
            }
            InvalidForm.tooLong(faults, "system", system, MAX_SYSTEM);
            return system;
        }

        private Optional<ZoneId> zone() {
            return noted(
                    "zone",
                    Texts.of("compare.crosscheck.a-time-zone-is-written"),
                    Optional.of(form.typed("zone").strip())
                            .filter(ZoneId.getAvailableZoneIds()::contains)
                            .map(ZoneId::of));
        }

        private Optional<Integer> tolerance() {
            return noted(
                    "tolerance",
                    Texts.of("compare.crosscheck.a-whole-number-1-to"),
                    Optional.of(form.typed("tolerance").strip())
                            .filter(text -> text.matches("[1-9]\\d?|100"))
                            .map(Integer::valueOf));
        }

        private TheirCounts theirs() {
            TheirCounts theirs = TheirCounts.read(form.typed("pasted"), DayOrder.named(form.typed("days")), locale);
            if (!theirs.faults().isEmpty()) {
                faults.put("pasted", String.join(" ", theirs.faults()));
            }
            return theirs;
        }

        private <T> Optional<T> noted(String field, String fault, Optional<T> found) {
            if (found.isEmpty()) {
                faults.put(field, fault);
            }
            return found;
        }
    }
}
