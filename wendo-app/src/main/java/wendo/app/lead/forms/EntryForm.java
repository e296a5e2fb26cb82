package wendo.app.lead.forms;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;

/**
 * A form that Wendo hosts.
 *
 * @param promise what visitors consent to, where it asks for consent
 * @param covers what may be sent to who consents
 * @param answers what customers may choose as how they heard of the business, one a line; without any they write
 */
record EntryForm(
        @NotBlank(message = "lead.forms.name-it") @Size(max = Limits.SHORT_NAME)
        String name,

        Purpose purpose,

        @NotBlank(message = "lead.forms.title-it") @Size(max = Limits.TITLE)
        String title,

        @Size(max = MAX_TEXT) String intro,

        @NotBlank(message = "lead.forms.name-the-button") @Size(max = Limits.BUTTON)
        String button,

        @NotBlank(message = "lead.forms.say-thanks") @Size(max = MAX_TEXT)
        String thanks,

        String accent,
        @Size(max = Limits.PROMISE) String promise,
        @Size(max = MAX_TEXT) String answers,
        Set<ConsentPurpose> covers,
        Map<FormField, Ask> asks) {
    private static final int MAX_TEXT = Limits.TEXT;
    static final List<String> ACCENTS = List.of("sea", "ink", "plum", "moss", "brick", "plain", "own");

    EntryForm {
        Map<FormField, Ask> all = new EnumMap<>(FormField.class);
        for (FormField field : FormField.values()) {
            all.put(field, asks.getOrDefault(field, Ask.OFF));
        }
        asks = Collections.unmodifiableMap(all);
        covers = Set.copyOf(covers);
    }

    static EntryForm fresh() {
        return new EntryForm(
                "",
                Purpose.ENQUIRY,
                "",
                "",
                Texts.of("lead.forms.send"),
                Texts.of("lead.forms.thank-you-we-will-be"),
                "sea",
                "",
                "",
                Set.of(),
                Map.of(
                        FormField.NAME,
                        Ask.NEEDED,
                        FormField.EMAIL,
                        Ask.NEEDED,
                        FormField.PHONE,
                        Ask.ASKED,
                        FormField.MESSAGE,
                        Ask.ASKED));
    }

    public Ask ask(FormField field) {
        return asks.getOrDefault(field, Ask.OFF);
    }

    public List<FormField> shown() {
        return asks.keySet().stream().filter(field -> ask(field) != Ask.OFF).toList();
    }

    public List<String> choices() {
        return answers.lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .toList();
    }

    /** What its consent covers, as it is kept. */
    String coversAsText() {
        return covers.stream().map(ConsentPurpose::key).sorted().collect(Collectors.joining(","));
    }

    static Set<ConsentPurpose> covers(String text) {
        return Arrays.stream(text.split(","))
                .flatMap(key -> ConsentPurpose.find(key).stream())
                .collect(Collectors.toSet());
    }

    /** What it asks, as it is kept. */
    String asksAsText() {
        return asks.entrySet().stream()
                .map(entry -> entry.getKey().key() + ":" + entry.getValue().key())
                .collect(Collectors.joining(","));
    }

    static Map<FormField, Ask> asks(String text) {
        Map<FormField, Ask> asks = new EnumMap<>(FormField.class);
        for (String pair : text.split(",")) {
            for (FormField field : FormField.values()) {
                if (pair.startsWith(field.key() + ":")) {
                    asks.put(field, Ask.of(pair.substring(field.key().length() + 1)));
                }
            }
        }
        return asks;
    }
}
