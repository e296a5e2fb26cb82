package wendo.app.lead.forms;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** A form as somebody of the business typed it, with what is wrong. */
record EntryFormForm(EntryForm form, Map<String, String> faults) {

    static EntryFormForm of(TypedFields typed) {
        Map<FormField, Ask> asks = new EnumMap<>(FormField.class);
        for (FormField field : FormField.values()) {
            asks.put(field, Ask.of(typed.raw("ask." + field.key())));
        }
        Optional<Purpose> purpose = Purpose.find(text(typed, "purpose"));
        EntryForm form = new EntryForm(
                text(typed, "name"),
                purpose.orElse(Purpose.ENQUIRY),
                text(typed, "title"),
                text(typed, "intro"),
                text(typed, "button"),
                text(typed, "thanks"),
                EntryForm.ACCENTS.contains(text(typed, "accent")) ? text(typed, "accent") : "sea",
                text(typed, "promise"),
                text(typed, "answers"),
                Arrays.stream(ConsentPurpose.values())
                        .filter(one -> !text(typed, "covers." + one.key()).isEmpty())
                        .collect(Collectors.toSet()),
                asks);
        return new EntryFormForm(form, faults(form));
    }

    private static String text(TypedFields typed, String field) {
        return typed.text(field).replace("\0", "");
    }

    private static Map<String, String> faults(EntryForm form) {
        Map<String, String> faults = FormRules.faults(form);
        if (form.ask(FormField.EMAIL) == Ask.OFF && form.ask(FormField.PHONE) == Ask.OFF) {
            faults.put("asks", Texts.of("lead.forms.ask-for-an-e-mail"));
        }
        if (form.ask(FormField.CONSENT) != Ask.OFF) {
            if (form.promise().isEmpty()) {
                faults.put("promise", Texts.of("lead.forms.enter-what-visitors-consent-to"));
            }
            if (form.covers().isEmpty()) {
                faults.put("covers", Texts.of("lead.forms.choose-what-this-consent-covers"));
            }
        }
        return faults;
    }

    /** What a form says, by the fields beside which faults stand. */
    static Map<String, String> fields(EntryForm form) {
        return Map.of(
                "name", form.name(),
                "title", form.title(),
                "intro", form.intro(),
                "button", form.button(),
                "thanks", form.thanks(),
                "promise", form.promise(),
                "answers", form.answers(),
                "covers", form.coversAsText(),
                "asks", form.asksAsText());
    }
}
