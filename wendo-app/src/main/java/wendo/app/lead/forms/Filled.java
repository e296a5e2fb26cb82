package wendo.app.lead.forms;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.media.PhoneNumber;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.text.Sentence;

/** A form as a visitor filled it in. */
record Filled(EntryForm form, Strictness strictness, TypedFields typed) {
    private static final int MAX_PEOPLE = 500;

    String text(FormField field) {
        return form.ask(field) == Ask.OFF ? "" : typed.text(field.key());
    }

    /** The report, or all faults by field, in words for the visitor. */
    OutcomeReport.Read read(String reference, String click, Business business, Instant now) {
        Map<String, String> faults = missing();
        day(business.today(Clock.fixed(now, business.zone())), faults);
        people(faults);
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        form.purpose().outcome().key(),
                        reference,
                        "",
                        "",
                        click,
                        Optional.of(Occurrence.at(now)),
                        "",
                        "",
                        new ReportedDetails.Typed(
                                text(FormField.NAME),
                                text(FormField.EMAIL),
                                text(FormField.PHONE),
                                business.locale().getCountry(),
                                "",
                                text(FormField.ANSWER),
                                items(),
                                text(FormField.MESSAGE))),
                business.currency(),
                now);
        if (read instanceof OutcomeReport.Read.Bad bad) {
            bad.faults()
                    .forEach(fault -> faults.put(
                            fault.field().equals("note") ? "message" : fault.field(), Texts.of(fault.sentence())));
        } else if (strictness == Strictness.STRICT) {
            strictPhone(((OutcomeReport.Read.Good) read).report().told().phone(), faults);
        }
        List<OutcomeReport.Fault> all = new ArrayList<>();
        faults.forEach((field, message) -> all.add(new OutcomeReport.Fault(field, Sentence.said(message))));
        return all.isEmpty() ? read : new OutcomeReport.Read.Bad(List.copyOf(all));
    }

    private static void strictPhone(String phone, Map<String, String> faults) {
        if (!phone.isEmpty() && !new PhoneNumber(phone).isInUse()) {
            faults.put("phone", Texts.of("lead.forms.no-phone-has-a-number"));
        }
    }

    private Map<String, String> missing() {
        Map<String, String> faults = new LinkedHashMap<>();
        for (FormField field : form.shown()) {
            if (isNeeded(field) && text(field).isEmpty()) {
                faults.put(
                        field.key(),
                        field == FormField.CONSENT
                                ? Texts.of("lead.forms.tick-it-to-continue")
                                : Texts.of("lead.forms.this-is-required"));
            }
        }
        if (strictness == Strictness.LIGHT
                && text(FormField.EMAIL).isEmpty()
                && text(FormField.PHONE).isEmpty()) {
            faults.put(
                    form.ask(FormField.EMAIL) == Ask.OFF ? "phone" : "email",
                    Texts.of("lead.forms.leave-an-e-mail-or"));
        }
        return faults;
    }

    /** Whether they ticked it where it is asked. */
    boolean consents() {
        return !form.promise().isEmpty() && text(FormField.CONSENT).equals("yes");
    }

    /** Also told to browsers, so that they say so first. */
    boolean isNeeded(FormField field) {
        boolean isContact = field == FormField.EMAIL || field == FormField.PHONE;
        return switch (strictness) {
            case LIGHT -> form.ask(field) == Ask.NEEDED && !isContact;
            case USUAL -> form.ask(field) == Ask.NEEDED;
            case STRICT -> form.ask(field) == Ask.NEEDED || isContact && form.ask(field) == Ask.ASKED;
        };
    }

    private void day(LocalDate today, Map<String, String> faults) {
        String text = text(FormField.DAY);
        if (text.isEmpty()) {
            return;
        }
        try {
            LocalDate day = LocalDate.parse(text);
            if (day.isBefore(today) || day.isAfter(today.plusYears(3))) {
                faults.put("day", Texts.of("lead.forms.choose-a-day-from-today"));
            }
        } catch (DateTimeException e) {
            faults.put("day", Texts.of("lead.forms.this-is-not-a-day", today));
        }
    }

    private void people(Map<String, String> faults) {
        String text = text(FormField.PEOPLE);
        if (!text.isEmpty() && (!text.matches("\\d{1,3}") || number(text) < 1 || number(text) > MAX_PEOPLE)) {
            faults.put("people", Texts.of("lead.forms.a-number-of-people-1", MAX_PEOPLE));
        }
    }

    private static int number(String digits) {
        return Integer.parseInt(digits);
    }

    private String items() {
        List<String> parts = new ArrayList<>();
        if (!text(FormField.DAY).isEmpty()) {
            parts.add(Texts.kept("lead.forms.items-day", text(FormField.DAY)));
        }
        if (!text(FormField.PEOPLE).isEmpty()) {
            parts.add(Texts.kept("lead.forms.items-people", number(text(FormField.PEOPLE))));
        }
        return String.join(", ", parts);
    }
}
