package wendo.app.outcome.outcomes;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;

/**
 * An outcome that somebody enters by hand, as typed.
 *
 * @param made the reference that it gets if none is typed: made when the form is opened, so that pressing twice enters it
 *     once
 */
record OutcomeForm(
        String kind,
        String reference,
        String made,
        String value,
        String day,
        String time,
        String name,
        String email,
        String phone,
        String items,
        String note,
        String source,
        String code,
        String answer) {
    private static final String LETTERS = "0123456789BCDFGHJKMNPQRSTVWXYZ"; // Crockford's, without vowels
    private static final int MADE_LENGTH = 6;

    static OutcomeForm empty(LocalDate today) {
        String made = new SplittableRandom()
                .ints(MADE_LENGTH, 0, LETTERS.length())
                .mapToObj(at -> String.valueOf(LETTERS.charAt(at)))
                .collect(Collectors.joining());
        return new OutcomeForm("booking", "", "HAND-" + made, "", today.toString(), "", "", "", "", "", "", "", "", "");
    }

    static OutcomeForm of(TypedFields typed) {
        return new OutcomeForm(
                typed.raw("kind"),
                typed.raw("reference"),
                typed.raw("made"),
                typed.raw("value"),
                typed.raw("day"),
                typed.raw("time"),
                typed.raw("name"),
                typed.raw("email"),
                typed.raw("phone"),
                typed.raw("items"),
                typed.raw("note"),
                typed.raw("source"),
                typed.raw("code"),
                typed.raw("answer"));
    }

    /** The report, or what is wrong by field. */
    Checked read(Business business, Instant now) {
        Map<String, String> faults = new HashMap<>();
        Optional<Occurrence> occurred = occurred(business, now, faults);
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        kind,
                        reference.isBlank() ? made : reference,
                        Amount.plain(value, business.currency(), business.locale()),
                        "",
                        "",
                        occurred,
                        "",
                        "",
                        new ReportedDetails.Typed(
                                name, email, phone, business.locale().getCountry(), code, answer, items, note)),
                business.currency(),
                now);
        if (read instanceof OutcomeReport.Read.Bad bad) {
            bad.faults().forEach(fault -> faults.putIfAbsent(fault.field(), Texts.of(fault.sentence())));
        }
        return faults.isEmpty()
                ? new Checked(Optional.of(((OutcomeReport.Read.Good) read).report()), Map.of())
                : new Checked(Optional.empty(), faults);
    }

    /** What came of reading it: a report without faults, or faults without a report. */
    record Checked(Optional<OutcomeReport> report, Map<String, String> faults) {}

    /** A day of which no time is typed is a day alone. */
    private Optional<Occurrence> occurred(Business business, Instant now, Map<String, String> faults) {
        try {
            LocalDate on = LocalDate.parse(day.strip());
            if (on.getYear() < 1900 || on.isAfter(now.atZone(business.zone()).toLocalDate())) {
                faults.put("day", Texts.of("outcome.outcomes.choose-today-or-an-earlier"));
                return Optional.empty();
            }
            return Optional.of(
                    time.isBlank()
                            ? Occurrence.on(on, business.zone())
                            : Occurrence.at(on.atTime(LocalTime.parse(time.strip()))
                                    .atZone(business.zone())
                                    .toInstant()));
        } catch (DateTimeException e) {
            faults.put("day", Texts.of("outcome.outcomes.choose-a-day-and-a"));
            return Optional.empty();
        }
    }
}
