package wendo.app.lead.forms;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.InvalidForm;

/** A form as somebody of the business typed it, with what is wrong. */
record EntryFormForm(EntryForm form, Map<String, String> faults) {

    static EntryFormForm of(Map<String, String> typed) {
        Map<FormField, Ask> asks = new EnumMap<>(FormField.class);
        for (FormField field : FormField.values()) {
            asks.put(field, Ask.of(typed.getOrDefault("ask." + field.key(), "")));
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

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "").strip().replace("\0", "");
    }

    private static Map<String, String> faults(EntryForm form) {
        Map<String, String> faults = new LinkedHashMap<>();
        needed(faults, "name", form.name(), "Give the form a name; only you see it.");
        needed(faults, "title", form.title(), "Say in a few words what the form is for; visitors see it.");
        needed(faults, "button", form.button(), "Say what the button does, like “Send”.");
        needed(faults, "thanks", form.thanks(), "Say what happens next; it is shown when the form was sent.");
        InvalidForm.tooLong(faults, "name", form.name(), 80);
        InvalidForm.tooLong(faults, "title", form.title(), 120);
        InvalidForm.tooLong(faults, "intro", form.intro(), 600);
        InvalidForm.tooLong(faults, "button", form.button(), 40);
        InvalidForm.tooLong(faults, "thanks", form.thanks(), 600);
        InvalidForm.tooLong(faults, "promise", form.promise(), 300);
        InvalidForm.tooLong(faults, "answers", form.answers(), 600);
        if (form.ask(FormField.EMAIL) == Ask.OFF && form.ask(FormField.PHONE) == Ask.OFF) {
            faults.put("asks", "Ask for an e-mail or a phone number, or nobody who writes can be answered.");
        }
        if (form.ask(FormField.CONSENT) != Ask.OFF) {
            needed(faults, "promise", form.promise(), "Say what visitors consent to.");
            if (form.covers().isEmpty()) {
                faults.put("covers", "Choose what this consent covers.");
            }
        }
        return faults;
    }

    private static void needed(Map<String, String> faults, String field, String text, String message) {
        if (text.isEmpty()) {
            faults.put(field, message);
        }
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
