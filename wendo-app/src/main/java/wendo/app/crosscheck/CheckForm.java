package wendo.app.crosscheck;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.UUID;
import wendo.app.site.Refusal;
import wendo.app.sources.SourceListed;
import wendo.core.measure.CrossCheck;

/**
 * A cross-check as typed, by field: source, counted, system, zone, tolerance, pasted.
 *
 * @param faults what is wrong with it, by field
 */
record CheckForm(Map<String, String> typed, Map<String, String> faults) {
    private static final int MAX_SYSTEM = 80;

    CheckForm {
        typed = Map.copyOf(typed);
        faults = Map.copyOf(faults);
    }

    static CheckForm empty(ZoneId zone) {
        return new CheckForm(
                Map.of(
                        "zone",
                        zone.getId(),
                        "tolerance",
                        String.valueOf(CrossCheck.USUAL_TOLERANCE_PERCENT),
                        "counted",
                        Counted.VISIT.key()),
                Map.of());
    }

    static CheckForm of(Check check, Map<String, String> faults) {
        return new CheckForm(
                Map.of("zone", check.zone().getId(), "tolerance", String.valueOf(check.tolerancePercent())), faults);
    }

    public String typed(String field) {
        return typed.getOrDefault(field, "");
    }

    /** What is asked, and what they counted, if nothing is wrong. */
    record Checked(CheckForm form, Optional<Check> check, SortedMap<LocalDate, Long> theirs) {}

    static Checked check(Map<String, String> typed, List<SourceListed> sources) {
        Map<String, String> faults = new HashMap<>();
        CheckForm form = new CheckForm(typed, Map.of());
        Optional<SourceListed> source = sources.stream()
                .filter(one -> one.id().toString().equals(form.typed("source")))
                .findFirst();
        if (source.isEmpty()) {
            faults.put("source", "Choose the source that they counted for.");
        }
        String system = form.typed("system").strip();
        if (system.isEmpty()) {
            faults.put("system", "Say who counted: a partner, or a system’s name.");
        }
        Refusal.tooLong(faults, "system", system, MAX_SYSTEM);
        Optional<ZoneId> zone = zone(form.typed("zone").strip());
        if (zone.isEmpty()) {
            faults.put("zone", "A time zone is written like Europe/London or UTC.");
        }
        Optional<Integer> tolerance = tolerance(form.typed("tolerance").strip());
        if (tolerance.isEmpty()) {
            faults.put("tolerance", "A whole number, 1 to 100.");
        }
        TheirCounts theirs = TheirCounts.read(form.typed("pasted"));
        if (!theirs.faults().isEmpty()) {
            faults.put("pasted", String.join(" ", theirs.faults()));
        }
        Counted counted = Counted.find(form.typed("counted")).orElse(Counted.VISIT);
        CheckForm read = new CheckForm(typed, faults);
        return !faults.isEmpty()
                ? new Checked(read, Optional.empty(), theirs.byDay())
                : new Checked(
                        read,
                        Optional.of(new Check(
                                UUID.randomUUID(),
                                source.orElseThrow().id(),
                                source.orElseThrow().name(),
                                counted,
                                system,
                                zone.orElseThrow(),
                                tolerance.orElseThrow())),
                        theirs.byDay());
    }

    private static Optional<ZoneId> zone(String id) {
        try {
            return ZoneId.getAvailableZoneIds().contains(id) ? Optional.of(ZoneId.of(id)) : Optional.empty();
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Optional<Integer> tolerance(String text) {
        return text.matches("\\d{1,3}")
                ? Optional.of(Integer.parseInt(text)).filter(percent -> percent >= 1 && percent <= 100)
                : Optional.empty();
    }
}
